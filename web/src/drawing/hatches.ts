// How dense is the hatching of each grade? Width of a cell, and the strength of its two sets of lines; grades 3 and 4 are cross-hatched.
export const hatches = [
  { grade: 1, gap: 15, line: 1.1, cross: 0 },
  { grade: 2, gap: 9, line: 1.1, cross: 0 },
  { grade: 3, gap: 5.5, line: 1.5, cross: 0.7 },
  { grade: 4, gap: 3.4, line: 1.9, cross: 1.5 },
] as const
/** Degrees by which the lines are turned. */
export const hatchAngle = 38

// How is a wall head drawn? Our own cut-away, seen from the drain end; the wall is on the left.
import { bladesOf, disc, finsAcross, ring, type SectionSheet } from './sheet.ts'

const wheelCentre = [300, 246] as const
const wheelRadius = 70

export const wallHead: SectionSheet = {
  label: 'screen.lookover.section.wall-head',
  shapes: [
    {
      part: 'housing',
      path: 'M118,74L404,62Q486,62 496,128L504,262Q506,300 478,318L470,309Q492,293 491,262L484,131Q475,75 404,75L131,87L131,344Q132,366 156,369L262,376L262,388L152,381Q118,378 118,340Z',
      at: [490, 190],
      text: [560, 152],
      side: 'right',
    },
    {
      part: 'drainLine',
      path: 'M146,262L160,262L160,352Q160,404 128,404L60,404L60,391L126,391Q146,391 146,352Z',
      at: [100, 398],
      text: [48, 440],
      side: 'left',
    },
    {
      part: 'outlet',
      path: 'M196,262Q206,338 262,376L262,388L372,398L478,330L470,309L410,306Q392,330 372,338L306,352Q240,346 212,258Z',
      at: [430, 345],
      text: [560, 372],
      side: 'right',
    },
    {
      part: 'pan',
      path: 'M392,284L446,280L442,300Q440,308 430,308L410,308Q398,306 395,298ZM140,220L200,232L196,256Q194,262 186,261L152,256Q142,254 141,246Z',
      at: [438, 296],
      text: [560, 298],
      side: 'right',
    },
    { part: 'coilBack', path: 'M312,98L326,126L204,222L160,206Z', at: [236, 158], text: [48, 120], side: 'left' },
    { part: 'coilFace', path: 'M318,96L332,124L400,166L404,274L434,272L428,146Z', at: [418, 200], text: [560, 222], side: 'right' },
    {
      part: 'filter',
      path: 'M150,112Q240,84 330,82Q420,84 446,148L452,268L445,269L439,152Q414,91 330,89Q242,91 153,119Z',
      at: [424, 108],
      text: [560, 84],
      side: 'right',
    },
    {
      part: 'wheel',
      path: ring(...wheelCentre, wheelRadius, 44),
      hit: disc(...wheelCentre, wheelRadius),
      at: [250, 296],
      text: [48, 318],
      side: 'left',
    },
  ],
  hatched: ['M84,16L110,16L110,462L84,462Z'],
  lines: ['M110,16L110,462', 'M110,86L118,86M110,330L118,330'],
  dashed: ['M60,22L700,22'],
  strokes: [
    ...finsAcross([312, 98], [326, 126], [160, 206], [204, 222], 22),
    ...finsAcross([318, 96], [332, 124], [428, 146], [400, 166], 12),
    ...finsAcross([428, 146], [400, 166], [434, 272], [404, 274], 14),
    ...bladesOf(wheelCentre, 44, wheelRadius, 30),
    { path: 'M398,372L438,340M440,346L468,322', kind: 'bar', goesWith: 'outlet' },
    { path: 'M200,70l0,10M250,68l0,10M300,66l0,10M350,64l0,10M400,63l0,10', kind: 'thick' },
  ],
  circles: [
    ...[
      [300, 124],
      [268, 150],
      [236, 174],
      [204, 198],
      [345, 116],
      [372, 134],
      [400, 150],
      [416, 180],
      [418, 212],
      [420, 244],
    ].map(([x, y]) => [x, y, 5.5] as const),
    [...wheelCentre, 7],
    [...wheelCentre, 1.5],
  ],
  caught: 'M104,60Q300,20 520,80L540,330Q470,420 330,452L300,452Q140,420 104,330',
  words: [],
  height: { from: [524, 392], to: [524, 458], text: [534, 438] },
  gap: { from: [330, 24], to: [330, 60], text: [340, 48] },
}

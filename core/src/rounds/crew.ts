// Who goes together?

/** One word for a crew: the same people in whatever order they were tapped. */
export const crewKey = (userIds: readonly number[]): string => [...userIds].sort((one, other) => one - other).join(' ')

// What keeps a visit from being planned, said on the button that would do it; nothing where nothing does.
export const missingForVisit = (crewIds: readonly number[], onDate: string): string =>
  crewIds.length === 0 ? 'somebody has to go: tap a name' : onDate === '' ? 'choose a day' : ''

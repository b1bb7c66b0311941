// What is around a unit that soils it faster?
export const surroundings = ['kitchen', 'flour', 'pets', 'pollen', 'desert-dust', 'sea-air', 'smoke', 'building-dust'] as const
export type Surrounding = (typeof surroundings)[number]

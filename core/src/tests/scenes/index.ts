// Scenes: photographs by other means than the ones the reading of photographs ships with, to fit and to judge it.
export { sceneOf, type Scene, type SceneTruth } from './scene.ts'
export { cameras, lights, obstacles, soilings, wishOf, type SceneWish } from './wish.ts'

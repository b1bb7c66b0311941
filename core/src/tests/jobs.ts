// Jobs that tests start from.
import type { JobFile, UnitJob } from '../plan/index.ts'

/** A wall head in which everything comes out, with nothing seen yet. */
export const openHead: UnitJob = {
  id: 'head',
  family: 'wall-head',
  design: {
    ratedCoolingKw: 3.5,
    ratedAirflowM3h: 600,
    ratedPowerW: 1000,
    aboveFloorM: 2.2,
    ceilingGapCm: 12,
    below: 'bed',
    finCoating: 'hydrophilic',
    refrigerantSafety: 'A2L',
    drain: 'gravity',
    filter: 'washable',
    fineFilter: false,
    coverScrews: 3,
    wheelRemovable: true,
    coilLiftable: true,
    panRemovable: true,
    quickAccessOutlet: false,
    boardRemovable: true,
    boardBlocksPan: false,
    roomSensor: false,
  },
  complaints: [],
  grades: {
    filter: { grade: 0 },
    coilFace: { grade: 0 },
    coilBack: { grade: 0 },
    wheel: { grade: 0 },
    pan: { grade: 0 },
    drainLine: { grade: 0 },
    outlet: { grade: 0 },
    housing: { grade: 0 },
  },
}

/** A job with one unit, humid summer air, water and drain on site, two people of whom one is trained. */
export function jobWith(unit: Partial<UnitJob> = {}, rest: Partial<Omit<JobFile, 'site'>> & { site?: Partial<JobFile['site']> } = {}): JobFile {
  const { site, ...job } = rest
  return {
    format: 'yastik.job/1',
    crew: [{ name: 'Imre', trained: ['wheel-removal', 'electrics'] }, { name: 'Sanna' }],
    ...job,
    site: {
      name: 'Test house',
      setting: 'home',
      outdoorAir: { dryBulbC: 31, relativeHumidity: 0.6 },
      waterOnSite: true,
      foulDrainOnSite: true,
      ...site,
    },
    units: [{ ...openHead, ...unit, design: { ...openHead.design, ...unit.design }, grades: { ...openHead.grades, ...unit.grades } }],
  }
}

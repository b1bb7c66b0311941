// Cassettes, window units, a corridor of sleeve units and two roof units: places of our own invention.
import type { Grades, SoilKind } from '@yastik/core/lookover'
import type { Grade } from '@yastik/core/quantities'
import type { Design, Part } from '@yastik/core/units'
import type { DemoSite, DemoUnit } from './site.ts'

const cassette: Design = {
  ratedCoolingKw: 7.1,
  ratedAirflowM3h: 1150,
  ratedPowerW: 2100,
  aboveFloorM: 2.8,
  below: 'desk',
  finCoating: 'hydrophilic',
  refrigerantSafety: 'A2L',
  drain: 'pump',
  filter: 'washable',
  coverScrews: 4,
  wheelRemovable: true,
  panRemovable: true,
  boardRemovable: true,
  ways: 4,
  drainPlug: true,
}
const sashUnit: Design = {
  ratedCoolingKw: 2.6,
  ratedAirflowM3h: 430,
  ratedPowerW: 900,
  below: 'clear',
  finCoating: 'none',
  refrigerantSafety: 'A2L',
  filter: 'washable',
  coverScrews: 8,
  wheelRemovable: true,
  panRemovable: false,
  boardRemovable: true,
  weightKg: 34,
  removable: true,
  slideOut: true,
  foamAirGuide: true,
  storey: 1,
}
const sleeveUnit: Design = {
  ratedCoolingKw: 2.6,
  ratedAirflowM3h: 450,
  ratedPowerW: 950,
  volts: 230,
  below: 'clear',
  finCoating: 'none',
  refrigerantSafety: 'A1',
  filter: 'washable',
  coverScrews: 6,
  wheelRemovable: true,
  panRemovable: true,
  boardRemovable: true,
  weightKg: 44,
  removable: true,
  slideOut: true,
  foamAirGuide: false,
  storey: 2,
  heaterKw: 3.4,
  hardWired: false,
  sleeveDrain: true,
}
const roofUnit: Design = {
  ratedCoolingKw: 3.4,
  ratedAirflowM3h: 520,
  ratedPowerW: 1300,
  below: 'bed',
  finCoating: 'none',
  refrigerantSafety: 'A1',
  filter: 'washable',
  coverScrews: 10,
  wheelRemovable: false,
  panRemovable: false,
  boardRemovable: false,
  iceProbe: true,
  wheelReachable: true,
  roof: 'membrane',
  ducted: false,
  batteryControl: true,
}

const breathed: readonly Part[] = ['filter', 'coilFace', 'coilBack', 'wheel', 'pan', 'drainLine', 'outlet', 'housing']
const outdoor: readonly Part[] = ['condenserFace', 'condenserInside', 'rearFan', 'basePan']

/** Grades in the order of looking: eight of the breathed-air side, four of the outdoor side where there is one. */
const seen = (digits: string, kinds: Partial<Record<Part, SoilKind[]>> = {}): Grades =>
  Object.fromEntries(
    [...digits].map((digit, index) => {
      const part = [...breathed, ...outdoor][index]
      return [part, { grade: Number(digit) as Grade, ...(kinds[part] ? { kinds: kinds[part] } : {}) }]
    }),
  )

const corridorRoom = (number: number, past: DemoUnit['past']): DemoUnit => ({
  key: `kf-${number}`,
  name: `Room ${number}`,
  family: 'through-wall',
  design: sleeveUnit,
  hoursPerDay: 8,
  past,
})

export const otherSites: readonly DemoSite[] = [
  {
    key: 'quellhof',
    form: {
      site: {
        name: 'Quellhof Reading Rooms',
        setting: 'office',
        altitudeM: 95,
        outdoorAir: { dryBulbC: 29, relativeHumidity: 0.55 },
        waterOnSite: true,
        foulDrainOnSite: true,
        electricityPricePerKwh: 0.28,
      },
      address: '6 Chestnut Yard, Halvmark',
      contact: 'Odile at the lending desk',
    },
    closedInDays: 3,
    units: [
      {
        key: 'qh-hall',
        name: 'Reading hall, east',
        family: 'ceiling-cassette',
        design: cassette,
        hoursPerDay: 9,
        past: [
          {
            daysAgo: 600,
            by: 'mira',
            complaints: ['smell', 'drips-indoors'],
            grades: seen('22133211', { wheel: ['dust', 'biofilm'], pan: ['biofilm'], coilFace: ['dust'] }),
          },
          { daysAgo: 201, by: 'imre', complaints: ['none'], grades: seen('21111111', { coilFace: ['dust'] }) },
        ],
      },
      {
        key: 'qh-stacks',
        name: 'Stacks, two-way',
        family: 'ceiling-cassette',
        design: { ...cassette, ratedCoolingKw: 5, ratedAirflowM3h: 820, ways: 2, drain: 'gravity', drainPlug: false, below: 'electronics' },
        hoursPerDay: 12,
        past: [{ daysAgo: 242, by: 'mira', complaints: ['weak-airflow'], grades: seen('32221111', { coilFace: ['dust', 'fine-powder'] }) }],
      },
    ],
  },
  {
    key: 'kornfeld',
    form: {
      site: {
        name: 'Kornfeld Lodge',
        setting: 'lodging',
        surroundings: ['pollen'],
        altitudeM: 420,
        outdoorAir: { dryBulbC: 18, relativeHumidity: 0.6 },
        waterOnSite: true,
        foulDrainOnSite: true,
        electricityPricePerKwh: 0.3,
      },
      address: 'Kornfeld 1, above the ford',
      contact: 'Rasmus Kell; rooms free from ten to three',
    },
    units: [
      corridorRoom(21, [
        {
          daysAgo: 331,
          by: 'mira',
          complaints: ['none'],
          grades: seen('221211112112', { condenserFace: ['pollen', 'leaf-litter'], basePan: ['leaf-litter'] }),
        },
      ]),
      corridorRoom(22, [{ daysAgo: 180, by: 'mira', complaints: ['none'], grades: seen('211111111111') }]),
      corridorRoom(23, []),
      {
        key: 'kf-den',
        name: 'Keeper’s den',
        family: 'window',
        design: sashUnit,
        hoursPerDay: 5,
        past: [
          {
            daysAgo: 190,
            by: 'mira',
            complaints: ['weak-airflow', 'noise'],
            grades: seen('222310113223', {
              coilFace: ['dust', 'lint-hair'],
              condenserFace: ['leaf-litter', 'pollen'],
              wheel: ['dust'],
              basePan: ['leaf-litter'],
            }),
          },
        ],
      },
      {
        key: 'kf-attic',
        name: 'Attic, in its sash',
        family: 'window',
        design: { ...sashUnit, removable: false, slideOut: false, storey: 3, weightKg: 41 },
        hoursPerDay: 4,
        past: [{ daysAgo: 300, by: 'imre', complaints: ['none'], grades: seen('211110111111') }],
      },
    ],
  },
  {
    key: 'uferlund',
    form: {
      site: {
        name: 'Uferlund Pitches',
        setting: 'vehicle',
        surroundings: ['pollen'],
        altitudeM: 12,
        outdoorAir: { dryBulbC: 23, relativeHumidity: 0.65, windMs: 3, rainMmH: 0 },
        waterOnSite: true,
        foulDrainOnSite: true,
      },
      address: 'Uferlund, rows B and C',
      contact: 'Warden’s hut; no generators before nine',
    },
    units: [
      {
        key: 'ul-b7',
        name: 'Pitch B7, above the berth',
        family: 'rv-rooftop',
        supply: 'post and battery of B7',
        design: roofUnit,
        hoursPerDay: 6,
        past: [
          {
            daysAgo: 340,
            by: 'imre',
            complaints: ['weak-airflow', 'ices-up'],
            grades: seen('332221112211', { coilFace: ['dust', 'lint-hair'], condenserFace: ['leaf-litter'] }),
          },
        ],
      },
      {
        key: 'ul-c2',
        name: 'Pitch C2, over the galley',
        family: 'rv-rooftop',
        supply: 'post and battery of C2',
        design: { ...roofUnit, below: 'worktop', roof: 'fibreglass', batteryControl: false, wheelReachable: false },
        hoursPerDay: 5,
        past: [{ daysAgo: 338, by: 'imre', complaints: ['none'], grades: seen('211111111110', { coilFace: ['dust'] }) }],
      },
    ],
  },
]

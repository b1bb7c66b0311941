// Who and what is in the demo? A firm, people, places and units of our own invention.
import { otherSites } from './otherFamilies.ts'
import type { DemoSite } from './site.ts'
import type { Complaint, Grades } from '@yastik/core/lookover'
import type { Design } from '@yastik/core/units'

export const demoFirm = 'Fennick Indoor Air'

/** Everybody in the demo signs in with this; demo accounts exist only with the demo data. */
/** Where the firm is: its money, and the clocks of whoever tries it. */
export const demoPlace = {
  currency: 'EUR',
  taxShare: 0.2,
  callUs: '+00 555 0100, Mira Fennick',
  timeZone: new Intl.DateTimeFormat().resolvedOptions().timeZone,
}
export const demoPassword = 'clear-to-the-fins'

export const demoPeople = [
  { signIn: 'mira', name: 'Mira Fennick', role: 'owner', trained: ['wheel-removal', 'electrics', 'roof'] },
  { signIn: 'imre', name: 'Imre Vold', role: 'technician', trained: ['wheel-removal', 'roof'] },
  { signIn: 'sanna', name: 'Sanna Kirov', role: 'technician', trained: [] },
] as const

const openHead: Design = {
  ratedCoolingKw: 3.5,
  ratedAirflowM3h: 600,
  ratedPowerW: 1020,
  nameplateAmps: 5,
  volts: 230,
  aboveFloorM: 2.2,
  ceilingGapCm: 14,
  finCoating: 'hydrophilic',
  refrigerantSafety: 'A2L',
  filter: 'washable',
  coverScrews: 3,
  wheelRemovable: true,
  coilLiftable: true,
  panRemovable: true,
  boardRemovable: true,
  below: 'bed',
}
const fixedHead: Design = {
  ratedCoolingKw: 2.5,
  ratedAirflowM3h: 480,
  ratedPowerW: 700,
  aboveFloorM: 2.3,
  ceilingGapCm: 8,
  finCoating: 'hydrophilic',
  refrigerantSafety: 'A2L',
  filter: 'washable',
  coverScrews: 2,
  wheelRemovable: false,
  panRemovable: false,
  below: 'desk',
}
const quickHead: Design = {
  ratedCoolingKw: 2.5,
  ratedAirflowM3h: 500,
  aboveFloorM: 2.2,
  ceilingGapCm: 20,
  finCoating: 'none',
  refrigerantSafety: 'A1',
  filter: 'washable',
  coverScrews: 2,
  quickAccessOutlet: true,
  wheelRemovable: false,
  panRemovable: false,
  below: 'clear',
}
const shopHead: Design = {
  ...openHead,
  ratedCoolingKw: 5,
  ratedAirflowM3h: 850,
  ratedPowerW: 1550,
  ceilingGapCm: 3,
  below: 'worktop',
  fineFilter: true,
}

const graded = (
  filter: 0 | 1 | 2 | 3 | 4,
  face: 0 | 1 | 2 | 3 | 4,
  back: 0 | 1 | 2 | 3 | 4,
  wheel: 0 | 1 | 2 | 3 | 4,
  pan: 0 | 1 | 2 | 3 | 4,
  drain: 0 | 1 | 2 | 3 | 4,
  kinds: {
    coil?: NonNullable<Grades['coilFace']>['kinds']
    wheel?: NonNullable<Grades['wheel']>['kinds']
    pan?: NonNullable<Grades['pan']>['kinds']
  } = {},
): Grades => ({
  filter: { grade: filter },
  coilFace: { grade: face, ...(kinds.coil ? { kinds: kinds.coil } : {}) },
  coilBack: { grade: back, ...(kinds.coil ? { kinds: kinds.coil } : {}) },
  wheel: { grade: wheel, ...(kinds.wheel ? { kinds: kinds.wheel } : {}) },
  pan: { grade: pan, ...(kinds.pan ? { kinds: kinds.pan } : {}) },
  drainLine: { grade: drain },
  outlet: { grade: wheel > 2 ? 2 : 1 },
  housing: { grade: 1 },
})

const warm = { dryBulbC: 30, relativeHumidity: 0.55 }

const headSites: readonly DemoSite[] = [
  {
    key: 'tannwinkel',
    form: {
      site: {
        name: 'Tannwinkel Guest House',
        setting: 'lodging',
        surroundings: ['pets'],
        altitudeM: 310,
        outdoorAir: warm,
        waterOnSite: true,
        foulDrainOnSite: true,
        electricityPricePerKwh: 0.31,
      },
      address: '4 Alder Rise, Tannwinkel',
      contact: 'Jorun Haske',
      access: 'Keys at the desk; the stairs are narrow',
    },
    units: [
      {
        key: 'tw-3',
        name: 'Room 3, over the door',
        design: openHead,
        hoursPerDay: 10,
        past: [
          {
            daysAgo: 560,
            by: 'imre',
            complaints: ['smell'],
            grades: graded(2, 2, 3, 3, 2, 1, { coil: ['dust', 'lint-hair'], wheel: ['biofilm', 'dust'], pan: ['biofilm'] }),
            findings: ['failed-gasket', 'bent-fins'],
            parts: [{ item: 'gasket', need: 'to-order' }],
          },
          {
            daysAgo: 170,
            by: 'imre',
            complaints: ['none'],
            grades: graded(2, 1, 2, 2, 1, 0, { coil: ['dust'] }),
            findings: ['bent-fins'],
            parts: [{ item: 'gasket', need: 'changed' }],
          },
        ],
      },
      {
        key: 'tw-5',
        name: 'Room 5, window wall',
        design: openHead,
        hoursPerDay: 9,
        past: [{ daysAgo: 200, by: 'sanna', complaints: ['weak-airflow'], grades: graded(3, 2, 2, 2, 1, 1, { coil: ['lint-hair'] }) }],
      },
      {
        key: 'tw-b',
        name: 'Breakfast room',
        design: { ...fixedHead, below: 'worktop' },
        hoursPerDay: 6,
        past: [{ daysAgo: 172, by: 'sanna', complaints: ['none'], grades: graded(2, 1, 1, 1, 1, 0, { coil: ['dust'] }) }],
      },
    ],
  },
  {
    key: 'halvmark',
    form: {
      site: {
        name: 'Halvmark Survey Office',
        setting: 'office',
        altitudeM: 60,
        outdoorAir: { dryBulbC: 28, relativeHumidity: 0.5 },
        waterOnSite: true,
        foulDrainOnSite: true,
        electricityPricePerKwh: 0.27,
      },
      address: '21 Ropewalk, Halvmark',
      contact: 'Front desk',
      access: 'Quiet until nine; park in the yard, code 4417',
    },
    units: [
      {
        key: 'hm-plot',
        name: 'Plotter room',
        design: { ...quickHead, below: 'electronics' },
        hoursPerDay: 11,
        past: [{ daysAgo: 121, by: 'imre', complaints: ['none'], grades: graded(2, 1, 1, 1, 0, 0, { coil: ['dust'] }) }],
      },
      {
        key: 'hm-meet',
        name: 'Meeting room',
        design: quickHead,
        hoursPerDay: 5,
        past: [{ daysAgo: 199, by: 'imre', complaints: ['smell'], grades: graded(1, 1, 1, 2, 2, 1, { pan: ['biofilm'] }) }],
      },
    ],
  },
  {
    key: 'ehrenfurt',
    form: {
      site: {
        name: 'Ehrenfurt Bakery',
        setting: 'food',
        surroundings: ['flour', 'kitchen'],
        altitudeM: 120,
        outdoorAir: warm,
        waterOnSite: true,
        foulDrainOnSite: true,
        electricityPricePerKwh: 0.29,
      },
      address: '9 Mill Lane, Ehrenfurt',
      contact: 'Tilde',
      access: 'After the morning bake; flour on the floor',
    },
    units: [
      {
        key: 'eb-counter',
        name: 'Over the counter',
        design: shopHead,
        hoursPerDay: 12,
        past: [
          {
            daysAgo: 392,
            by: 'mira',
            complaints: ['weak-airflow', 'not-cold'],
            grades: graded(3, 3, 4, 4, 2, 2, { coil: ['fine-powder', 'grease'], wheel: ['grease', 'fine-powder'] }),
          },
          {
            daysAgo: 110,
            by: 'imre',
            complaints: ['weak-airflow'],
            grades: graded(3, 3, 3, 3, 2, 1, { coil: ['fine-powder'], wheel: ['fine-powder'] }),
          },
        ],
      },
    ],
  },
  {
    key: 'auweide',
    form: {
      site: {
        name: 'Auweide Hearing Practice',
        setting: 'health',
        altitudeM: 85,
        outdoorAir: warm,
        waterOnSite: true,
        foulDrainOnSite: true,
        sensitiveOccupants: true,
        electricityPricePerKwh: 0.3,
      },
      address: '2 Heron Court, Auweide',
      contact: 'Practice manager',
      access: 'Door code by phone',
    },
    units: [
      {
        key: 'aw-test',
        name: 'Test booth lobby',
        design: { ...openHead, ratedCoolingKw: 2.5, ratedAirflowM3h: 450, below: 'patient-chair' },
        hoursPerDay: 9,
        past: [{ daysAgo: 150, by: 'mira', complaints: ['none'], grades: graded(1, 1, 1, 1, 1, 0) }],
      },
    ],
  },
  {
    key: 'moorhen',
    form: {
      site: {
        name: 'Lindqvist home',
        setting: 'home',
        surroundings: ['pollen'],
        altitudeM: 40,
        outdoorAir: { dryBulbC: 27, relativeHumidity: 0.5 },
        waterOnSite: true,
        foulDrainOnSite: true,
        electricityPricePerKwh: 0.33,
      },
      address: '17 Moorhen Walk, Sallow Bay',
      contact: 'Ebba Lindqvist',
      access: 'Ring twice; the dog is friendly',
    },
    units: [
      {
        key: 'mh-bed',
        name: 'Bedroom',
        design: fixedHead,
        hoursPerDay: 6,
        past: [{ daysAgo: 150, by: 'sanna', complaints: ['drips-indoors'], grades: graded(2, 1, 2, 1, 3, 3, { pan: ['biofilm'] }) }],
      },
    ],
  },
]

export const demoSites: readonly DemoSite[] = [...headSites, ...otherSites]

/** What was seen before the visits that are open today. */
export const openGrades = {
  started: {
    unit: 'tw-3',
    complaints: ['smell', 'spits-dirt'] as Complaint[],
    grades: graded(2, 2, 3, 3, 2, 1, { coil: ['dust', 'lint-hair'], wheel: ['biofilm', 'dust'], pan: ['biofilm'] }),
  },
  looked: {
    'qh-hall': {
      complaints: ['smell', 'drips-indoors'] as Complaint[],
      grades: graded(2, 2, 1, 3, 3, 2, { coil: ['dust'], wheel: ['dust', 'biofilm'], pan: ['biofilm'] }),
    },
    'kf-den': {
      complaints: ['weak-airflow'] as Complaint[],
      grades: {
        ...graded(2, 2, 2, 3, 1, 0, { coil: ['dust', 'lint-hair'], wheel: ['dust'] }),
        condenserFace: { grade: 3, kinds: ['leaf-litter', 'pollen'] },
        condenserInside: { grade: 2 },
        rearFan: { grade: 2 },
        basePan: { grade: 3, kinds: ['leaf-litter'] },
      } as Grades,
    },
    'ul-b7': {
      complaints: ['weak-airflow', 'ices-up'] as Complaint[],
      grades: {
        ...graded(3, 3, 2, 2, 2, 1, { coil: ['dust', 'lint-hair'] }),
        condenserFace: { grade: 2, kinds: ['leaf-litter'] },
        condenserInside: { grade: 2 },
        rearFan: { grade: 1 },
        basePan: { grade: 1 },
      } as Grades,
    },
  },
  half: {
    unit: 'tw-5',
    complaints: ['weak-airflow'] as Complaint[],
    grades: { filter: { grade: 2 }, coilFace: { grade: 2, kinds: ['dust'] } } as Grades,
  },
}

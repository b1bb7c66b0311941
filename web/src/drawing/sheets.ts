// Which section is drawn for which family?
import type { Family } from '@yastik/core/units'
import { ceilingCassette } from './ceilingCassette.ts'
import { rvRooftop } from './rvRooftop.ts'
import type { SectionSheet } from './sheet.ts'
import { throughWall } from './throughWall.ts'
import { wallHead } from './wallHead.ts'
import { windowUnit } from './windowUnit.ts'

export const sheets: Record<Family, SectionSheet> = {
  'wall-head': wallHead,
  'ceiling-cassette': ceilingCassette,
  window: windowUnit,
  'through-wall': throughWall,
  'rv-rooftop': rvRooftop,
}

// What keeps a visit from being planned, said on the button that would do it; nothing where nothing does.
import { t } from '../words/words.ts'

export const missingForVisit = (crewIds: readonly number[], onDate: string): string =>
  crewIds.length === 0 ? t('screen.sites.somebody-has-to-go') : onDate === '' ? t('screen.sites.choose-a-day') : ''

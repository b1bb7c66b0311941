// How is said where a unit stands?
import { verdictName } from '@yastik/core/run'
import type { JobCard } from '@yastik/core/wire'
import { say, t } from '../words/words.ts'

export function stationWords({ stage, done, steps, verdict }: JobCard['units'][number]): string {
  switch (stage) {
    case 'at-the-unit':
      return t('screen.today.stage.at-the-unit', { step: done + 1, steps })
    case 'handed-over':
      return t('screen.today.stage.handed-over', { verdict: verdict ? say(verdictName(verdict)) : '' })
    default:
      return t(`screen.today.stage.${stage}`)
  }
}

// How is a verdict called?
import { says, type Message } from '../words/index.ts'
import type { Verdict } from './event.ts'

export const verdictName = (verdict: Verdict): Message => says(`run.verdict.${verdict}`)

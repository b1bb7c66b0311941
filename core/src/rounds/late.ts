// What is a customer written who waits?
import { clockWords } from '../quantities/index.ts'

/** @param saidMin when somebody was to be there @param expectedMin when they will be, minutes from midnight: told to five minutes, rather later */
export function lateText({ firm, site, saidMin, expectedMin }: { firm: string; site: string; saidMin: number; expectedMin: number }): string {
  const told = Math.ceil(expectedMin / 5) * 5
  return `${firm}: the visit before yours takes longer. We expect to be at ${site} at about ${clockWords(told)} instead of ${clockWords(saidMin)}. We are sorry that you have to wait; if that does not suit you, please answer.`
}

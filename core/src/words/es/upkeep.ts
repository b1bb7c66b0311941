// What makes a unit due so soon?
import type { upkeep as english } from '../en/upkeep.ts'

export const upkeep: Record<keyof typeof english, string> = {
  'upkeep.notCleanYet.clean-yet-come-back': 'sin limpiar: hay que volver',
  'upkeep.notCleanYet.because': 'sin limpiar: hay que volver ({left})',
  'upkeep.notCleanYet.overdue': 'sin limpiar: hay que volver (sin revisar; última limpieza hace {since})',
  'upkeep.whyFast.soils-about-times-fast': '{around}: se ensucia unas {times} veces más rápido que en una casa limpia',
  'upkeep.whyFast.hours-day': '{hours} al día',
}

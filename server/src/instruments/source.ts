// Where do readings come from? One interface, which the driver of an instrument fills.
import type { InstrumentReading } from '@yastik/core/proof'
import type { UnitState } from '@yastik/core/run'
import type { Part } from '@yastik/core/units'
import type { SiteForm, UnitForm } from '@yastik/core/wire'

/** The unit that instruments are held to. */
export interface AtUnit {
  readonly unitId: string
  readonly form: Pick<UnitForm, 'family' | 'design'>
  readonly site: SiteForm['site']
  readonly state: UnitState
}

export interface InstrumentSource {
  /** One reading of every quantity now, by instruments that were put in place at `sinceMs`. */
  read(at: AtUnit, sinceMs: number, nowMs: number): InstrumentReading[]
  /** A photograph of a part, as JPEG; undefined for parts of which there is nothing to measure. `shot` tells one from the next. */
  photograph(at: AtUnit, part: Part, shot: number): Promise<Buffer | undefined>
}

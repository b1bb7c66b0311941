// Proof of a unit as its record has it.
import type { UnitState } from '../run/index.ts'
import { measuredUnit } from '../lookover/index.ts'
import { knownDesign, type Design, type Family } from '../units/index.ts'
import { assess, type Proof, type ProofInput } from './assess.ts'
import { partsSeen } from './partLines.ts'

export interface ProvedUnit extends Pick<ProofInput, 'notReached' | 'referrals'> {
  readonly family: Family
  /** As somebody noted it. */
  readonly design: Design
  readonly site?: { readonly altitudeM?: number; readonly outdoorAir?: { readonly dryBulbC: number } }
  readonly state: UnitState
}

/** Judges a unit by its readings, and by what was seen and measured of its parts. */
export const proofOf = ({ family, design, site = {}, state, notReached, referrals }: ProvedUnit): Proof =>
  assess({
    design: knownDesign(family, design).design,
    measured: measuredUnit({ design }, site),
    before: state.readings.before,
    after: state.readings.after,
    altitudeM: site.altitudeM,
    outdoorC: site.outdoorAir?.dryBulbC,
    notReached,
    referrals,
    parts: partsSeen(family, state),
  })

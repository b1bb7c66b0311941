import { type UnitJob } from '../plan/index.ts'
import { builtInProducts, builtInVan } from '../products/index.ts'
import { jobWith } from '../tests/jobs.ts'
import type { Step } from './index.ts'
import { planInEnglish } from '../tests/inEnglish.ts'

type Rest = Parameters<typeof jobWith>[1]
const stepsOf = (unit: Partial<UnitJob>, rest: Rest = {}) => planInEnglish(jobWith(unit, rest)).units[0].steps
const find = (steps: readonly Step[], id: string) => {
  const step = steps.find((entry) => entry.id === id)
  if (!step) throw new Error(`there is no step ${id} among ${steps.map((entry) => entry.id).join(', ')}`)
  return step
}
const ids = (steps: readonly Step[]) => steps.map(({ id }) => id)
/** Whether `later` waits for `earlier`, directly or through others. */
function waitsFor(steps: readonly Step[], later: string, earlier: string): boolean {
  return find(steps, later).after.some((id) => id === earlier || waitsFor(steps, id, earlier))
}

const strip: Partial<UnitJob> = {
  complaints: ['smell'],
  grades: { wheel: { grade: 3, kinds: ['biofilm'] }, pan: { grade: 2 }, coilFace: { grade: 2, kinds: ['biofilm'] }, coilBack: { grade: 3 } },
}
const open: Partial<UnitJob> = { grades: { coilFace: { grade: 2 } } }

describe('a strip-down', () => {
  const steps = stepsOf(strip)
  it('loosens the set screw and never takes it out', () => {
    const loosen = find(steps, 'loosen-set-screw')
    expect(loosen.title).toMatch(/leave it in/)
    expect(loosen).toMatchObject({ gate: expect.stringContaining('still in its thread'), equipment: ['long-driver'], skill: 'wheel-removal' })
    expect(loosen.fasteners).toBeUndefined()
    expect(waitsFor(steps, 'off-wheel', 'loosen-set-screw')).toBe(true)
  })
  it('keeps the constraints of the way back', () => {
    expect(waitsFor(steps, 'tighten-set-screw', 'on-wheel')).toBe(true)
    expect(waitsFor(steps, 'spin-by-hand', 'tighten-set-screw')).toBe(true)
    expect(waitsFor(steps, 'on-pan', 'spin-by-hand')).toBe(true)
    expect(waitsFor(steps, 'on-pan', 'on-end-plate')).toBe(true)
    expect(waitsFor(steps, 'flow-test', 'on-drain-hose')).toBe(true)
    expect(waitsFor(steps, 'on-cover', 'flow-test')).toBe(true)
    expect(waitsFor(steps, 'on-cover', 'treat-pan')).toBe(true)
    expect(waitsFor(steps, 'power-on', 'on-cover')).toBe(true)
    expect(waitsFor(steps, 'power-on', 'on-filters')).toBe(true)
  })
  it('lets filters and wheel be washed while the coil soaks', () => {
    expect(waitsFor(steps, 'wash-filters', 'apply-coil')).toBe(false)
    expect(waitsFor(steps, 'wash-wheel', 'rinse-coil')).toBe(false)
    expect(find(steps, 'wash-filters').phase).toBe('dwell')
  })
  it('puts nothing back wet', () => {
    expect(find(steps, 'dry-parts').title).toMatch(/^Shake off, wipe and blow dry: .*wheel/)
    expect(find(steps, 'dry-parts').wait).toBeUndefined()
    expect(waitsFor(steps, 'on-wheel', 'dry-parts')).toBe(true)
    expect(waitsFor(steps, 'on-filters', 'dry-parts')).toBe(true)
    expect(find(steps, 'on-filters').gate).toMatch(/stopped dripping/)
  })
  it('waits for what was washed apart with what was washed apart alone', () => {
    const uncovered = stepsOf(open)
    expect(waitsFor(uncovered, 'on-filters', 'dry-parts')).toBe(true)
    expect(waitsFor(uncovered, 'on-cover', 'wash-filters')).toBe(false)
  })
  it('runs on low while containment hangs, and is cleared up while it cools', () => {
    expect(waitsFor(steps, 'take-down', 'first-spin')).toBe(true)
    expect(waitsFor(steps, 'run-unit', 'take-down')).toBe(true)
    expect(waitsFor(steps, 'clear-up', 'take-down')).toBe(true)
    expect(waitsFor(steps, 'clear-up', 'run-unit')).toBe(false)
    expect(waitsFor(steps, 'hand-over', 'run-test')).toBe(true)
  })
  it('makes balance clips, louvre seats and the thermistor a gate on the way back', () => {
    expect(find(steps, 'on-wheel').gate).toMatch(/balance clip/)
    expect(find(steps, 'on-louvres').gate).toMatch(/own seat/)
    expect(find(steps, 'on-coil-thermistor').gate).toMatch(/own clip/)
  })
  it('tells the customer of specks before they see them', () => expect(find(steps, 'hand-over').gate).toMatch(/specks/))
  it('says where each part goes and what to photograph', () => {
    for (const step of steps.filter(({ takesOff }) => takesOff)) expect(step.slot).toBeTruthy()
    expect(find(steps, 'off-cover').photo).toMatch(/closed head/)
    expect(find(steps, 'cover-electronics').photo).toMatch(/wiring/)
  })
  it('warns of longer screws where screws go back', () => {
    const told = stepsOf(open).filter(({ cautions }) => cautions.some((words) => /none longer than it was/.test(words)))
    expect(told.map(({ putsBack }) => putsBack !== undefined)).toEqual([true])
  })
})

describe('cautions', () => {
  const steps = stepsOf(strip)
  it.each([
    ['isolate', /Electricity kills/],
    ['off-coil-thermistor', /Fins and sheet metal cut/],
    ['vacuum-coil', /residual-current/],
    ['vacuum-coil', /respirator/],
    ['mix-agent', /never mix/],
    ['apply-coil', /goggles on, both feet firm/],
    ['rinse-coil', /20 cm/],
    ['off-end-plate', /licensed people/],
    ['power-on', /takes fingers/],
    ['clear-below', /three points of contact/],
    ['wash-filters', /foul drain/],
  ])('stand at the step: %s', (id, words) => expect(find(steps, id).cautions.join(' ')).toMatch(words))

  it('are said once, and again only where the danger is new', () => {
    const told = steps.flatMap(({ id, cautions }) => cautions.map((words) => ({ id, words })))
    const again = told.filter(({ words }, at) => told.findIndex((other) => other.words === words) < at)
    expect(again.map(({ id }) => id).filter((id) => id !== 'power-on')).toEqual([])
    expect(told.length).toBeLessThanOrEqual(15)
  })
  it('leave the time until the room is used to the step that sprays', () =>
    expect(find(steps, 'apply-coil').how).toMatch(/60 min after the last spraying/))
  it('speak of flame only where the refrigerant may burn', () => {
    expect(find(steps, 'isolate').cautions.join()).toMatch(/no flame/)
    expect(find(stepsOf({ ...open, design: { refrigerantSafety: 'A1' } }), 'isolate').cautions.join()).not.toMatch(/flame/)
  })
  it('speak of ladders only where one is needed', () => {
    const low = stepsOf({ ...open, design: { aboveFloorM: 1.2 } })
    expect(find(low, 'clear-below').equipment).toEqual(['floor-sheet'])
    expect(find(low, 'clear-below').cautions).toEqual([])
  })
})

describe('electronics', () => {
  const blocked: Partial<UnitJob> = { design: { boardBlocksPan: true }, grades: { pan: { grade: 3 } } }
  it('that come off are proved dead twice, five minutes apart, by somebody trained', () => {
    const steps = stepsOf(blocked)
    expect(find(steps, 'drain-charge').wait).toEqual({ leastMin: 5, for: 'stored charge to drain' })
    expect(find(steps, 'prove-dead-again').after).toEqual(['drain-charge'])
    expect(waitsFor(steps, 'off-board-box', 'prove-dead-again')).toBe(true)
    expect(waitsFor(steps, 'off-pan', 'off-board-box')).toBe(true)
    expect(find(steps, 'off-board-box')).toMatchObject({
      skill: 'electrics',
      fasteners: [
        { kind: 'box screw', count: 2 },
        { kind: 'labelled plug', count: 4 },
      ],
    })
    expect(find(steps, 'on-board-box').gate).toMatch(/earth first/)
  })
  it('that stay are bagged before any liquid and looked at before the cover', () => {
    const steps = stepsOf(open)
    expect(ids(steps)).not.toContain('prove-dead-again')
    expect(waitsFor(steps, 'apply-coil', 'cover-electronics')).toBe(true)
    expect(waitsFor(steps, 'on-cover', 'uncover-electronics')).toBe(true)
  })
})

describe('lighter work', () => {
  it('is a filter service without liquids inside the unit', () => {
    const steps = stepsOf({ grades: { filter: { grade: 3 } } })
    expect(ids(steps)).toEqual(
      expect.arrayContaining([
        'isolate',
        'prove-dead',
        'off-filters',
        'wash-filters',
        'on-filters',
        'check-ledger',
        'power-on',
        'run-unit',
        'hand-over',
      ]),
    )
    for (const absent of ['apply-coil', 'rinse-coil', 'flow-test', 'off-cover', 'set-containment', 'read-before'])
      expect(ids(steps)).not.toContain(absent)
  })
  it('leaves the cover on for a film', () => {
    const steps = stepsOf({ grades: { coilFace: { grade: 1 } } })
    expect(ids(steps)).not.toContain('off-cover')
    expect(find(steps, 'cover-electronics').phase).toBe('protect')
    expect(waitsFor(steps, 'apply-coil', 'cover-electronics')).toBe(true)
  })
  it('draws the agent off again in the dry way', () => {
    const steps = stepsOf(open, { houseRules: { rinseSchool: 'dry' } })
    expect(find(steps, 'draw-off')).toMatchObject({
      phase: 'rinse',
      equipment: ['wet-vacuum', 'residual-current-plug'],
      gate: 'A fresh cloth stays clean',
    })
    expect(ids(steps)).not.toContain('rinse-coil')
  })
  it('leaves self-rinsing foam without a clock, and lets the run rinse it', () => {
    const steps = stepsOf(open, { houseRules: { rinseSchool: 'self-rinsing' } })
    expect(find(steps, 'apply-coil').wait).toBeUndefined()
    expect(ids(steps)).not.toContain('rinse-coil')
  })
  it('has disposable filters renewed, not washed', () => {
    const renewed = stepsOf({ ...open, design: { filter: 'disposable' } })
    expect(find(renewed, 'renew-filters').title).toMatch(/get new ones ready/)
    expect(find(renewed, 'wash-filters').title).toMatch(/louvres/)
    expect(find(renewed, 'on-filters').gate).toMatch(/New filters/)
    expect(ids(renewed)).not.toContain('dry-parts')
  })
})

describe('drain and drying', () => {
  it('draws a drain that does not run before any foam goes in', () => {
    const steps = stepsOf({ ...open, findings: ['drain-blocked'] })
    expect(find(steps, 'draw-drain').phase).toBe('dry-clean')
    expect(waitsFor(steps, 'apply-coil', 'draw-drain')).toBe(true)
  })
  it('waits for the coil to dry in still air where the house does not use the fan', () => {
    const steps = stepsOf(open, { houseRules: { dryingSchool: 'long-air-dry' } })
    expect(find(steps, 'open-to-dry').wait!.leastMin).toBeGreaterThan(60)
    expect(waitsFor(steps, 'power-on', 'open-to-dry')).toBe(true)
  })
  it('runs at least ten minutes of steady cooling before the after readings', () => {
    expect(find(stepsOf({ grades: { coilFace: { grade: 1 } } }), 'run-unit').wait).toEqual({ leastMin: 10, for: 'steady cooling' })
  })
  it('takes wash water along where there is no foul drain', () => {
    expect(find(stepsOf(open, { site: { foulDrainOnSite: false } }), 'clear-up').title).toMatch(/closed cans/)
  })
})

describe('a unit that is declined', () => {
  it('is made safe and handed over in writing, and nothing else', () => {
    const steps = stepsOf({ ...open, findings: ['no-safe-access'] })
    expect(ids(steps)).toEqual(['arrive', 'ask', 'leave-off', 'hand-over'])
    expect(find(steps, 'hand-over').gate).toMatch(/in writing/)
  })
})

describe('minutes', () => {
  it('grow with the coil', () => {
    const minutes = (kw: number) => find(stepsOf({ ...open, design: { ratedCoolingKw: kw } }), 'vacuum-coil').handsMin
    expect(minutes(10)).toBeGreaterThan(minutes(5))
  })
  it('grow for a cover right below the ceiling', () => {
    const minutes = (gap: number) => find(stepsOf({ ...open, design: { ceilingGapCm: gap } }), 'off-cover').handsMin
    expect(minutes(3)).toBeGreaterThan(minutes(12) + 1)
  })
  it('come in quarters, with what they are one time in ten at the least and at the most', () => {
    for (const { handsMin, lowMin, highMin } of stepsOf(strip)) {
      for (const minutes of [handsMin, lowMin, highMin]) expect((minutes ?? 0) * 4).toBe(Math.round((minutes ?? 0) * 4))
      expect(lowMin).toBeLessThanOrEqual(handsMin)
      expect(highMin).toBeGreaterThanOrEqual(handsMin)
    }
  })
  it('grow with soil and with screws', () => {
    const wheel = (grade: 1 | 2 | 3 | 4) =>
      find(stepsOf({ ...open, design: { wheelRemovable: false, panRemovable: false }, grades: { ...open.grades, wheel: { grade } } }), 'wash-wheel')
        .handsMin
    expect(wheel(2)).toBeLessThan(wheel(3))
    expect(wheel(3)).toBeLessThan(wheel(4))
    const cover = (coverScrews: number) => find(stepsOf({ ...open, design: { coverScrews } }), 'off-cover').handsMin
    expect(cover(8)).toBeGreaterThan(cover(2))
  })
})

describe('what is taken over as well', () => {
  const steps = stepsOf(strip)
  it('has wiring and capacitor looked at while they lie open, before they are covered', () => {
    expect(find(steps, 'look-at-wiring').gate).toMatch(/bulges.*electrician/)
    expect(waitsFor(steps, 'look-at-wiring', 'off-cover')).toBe(true)
    expect(waitsFor(steps, 'look-at-wiring', 'drain-charge')).toBe(true)
    expect(waitsFor(stepsOf(open), 'cover-electronics', 'look-at-wiring')).toBe(true)
  })
  it('has the wall behind the wheel cleaned while the wheel is out', () => {
    expect(waitsFor(steps, 'wipe-behind-wheel', 'off-wheel')).toBe(true)
    expect(waitsFor(steps, 'on-wheel', 'wipe-behind-wheel')).toBe(true)
    expect(ids(stepsOf(open))).not.toContain('wipe-behind-wheel')
  })
  it('has an oxidised plug cleaned while it is dead; a damaged one waits for an electrician', () => {
    const oxidised = stepsOf({ ...open, findings: ['oxidised-plug'] })
    expect(waitsFor(oxidised, 'power-on', 'clean-plug')).toBe(true)
    expect(ids(oxidised)).not.toContain('wiring-put-right')
    const damaged = stepsOf({ ...open, findings: ['oxidised-plug'], findingExtent: { 'oxidised-plug': 'much' } })
    expect(ids(damaged)).not.toContain('clean-plug')
    expect(waitsFor(damaged, 'power-on', 'wiring-put-right')).toBe(true)
  })
  it('has a way out for whatever does not come off', () => {
    for (const step of steps.filter(({ takesOff }) => takesOff !== undefined)) expect(step.stuck).toMatch(/If it does not give/)
    expect(find(steps, 'loosen-set-screw').stuck).toMatch(/penetrating oil.*washed in place/)
  })
  it('has warm water brought before anything is mixed for grease, and only then', () => {
    const greasy = stepsOf({ grades: { coilFace: { grade: 2, kinds: ['grease'] } } })
    expect(waitsFor(greasy, 'mix-agent', 'bring-warm-water')).toBe(true)
    expect(find(greasy, 'bring-warm-water').gate).toMatch(/40 °C at most/)
    expect(ids(stepsOf(open))).not.toContain('bring-warm-water')
  })
  it('has the pan treatment put in as its label says', () => {
    const slimy: Partial<UnitJob> = { grades: { coilFace: { grade: 2 }, pan: { grade: 2, kinds: ['biofilm'] } } }
    expect(find(stepsOf(slimy), 'treat-pan').title).toMatch(/^Put/)
    const products = builtInProducts.map((own) => (own.class === 'pan-treatment' ? { ...own, label: { ...own.label, form: 'spray' as const } } : own))
    expect(find(stepsOf(slimy, { products }), 'treat-pan').title).toMatch(/^Spray/)
  })
  it('asks for small tools where they are used, and says what is not in the van', () => {
    expect(find(stepsOf(open), 'flow-test').equipment).toContain('jug')
    expect(find(stepsOf(open), 'rinse-coil').equipment).toContain('residual-current-plug')
    expect(find(stepsOf(open), 'read-before').equipment).toEqual(expect.arrayContaining(['thermometer', 'hygrometer', 'anemometer', 'clamp-meter']))
    expect(find(stepsOf({ grades: { coilFace: { grade: 3 } } }), 'vacuum-coil').equipment).toContain('respirator')
    const equipment = builtInVan.filter(({ kind }) => kind !== 'jug' && kind !== 'thermometer')
    const { units, warnings } = planInEnglish(jobWith(open, { equipment }))
    expect(find(units[0].steps, 'flow-test').equipment).not.toContain('jug')
    expect(warnings.join()).toMatch(/not in the van: thermometer \(“.*”\), jug \(“Flow test/)
    expect(planInEnglish(jobWith(open)).warnings.join()).not.toMatch(/not in the van/)
  })
})

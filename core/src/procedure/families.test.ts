// What each family asks for besides what every unit asks for.
import { type UnitJob } from '../plan/index.ts'
import { builtInVan } from '../products/index.ts'
import { jobWith } from '../tests/jobs.ts'
import type { Step } from './index.ts'
import { planInEnglish } from '../tests/inEnglish.ts'

type Rest = Parameters<typeof jobWith>[1]
const stepsOf = (unit: Partial<UnitJob>, rest: Rest = {}) => planInEnglish(jobWith(unit, rest)).units[0].steps
const ids = (steps: readonly Step[]) => steps.map(({ id }) => id)
function find(steps: readonly Step[], id: string): Step {
  const step = steps.find((entry) => entry.id === id)
  if (!step) throw new Error(`there is no step ${id} among ${ids(steps).join(', ')}`)
  return step
}
function waitsFor(steps: readonly Step[], later: string, earlier: string): boolean {
  return find(steps, later).after.some((id) => id === earlier || waitsFor(steps, id, earlier))
}

describe('a cassette', () => {
  const unit: Partial<UnitJob> = {
    family: 'ceiling-cassette',
    grades: { wheel: { grade: 3 }, pan: { grade: 3, kinds: ['biofilm'] }, coilFace: { grade: 2 } },
  }
  const steps = stepsOf(unit)
  it('runs empty through its plug, over a bucket, before anything comes down', () => {
    expect(find(steps, 'off-drain-plug')).toMatchObject({ phase: 'protect', equipment: expect.arrayContaining(['bucket']) })
    expect(waitsFor(steps, 'empty-pan', 'off-drain-plug')).toBe(true)
    expect(waitsFor(steps, 'off-filters', 'empty-pan')).toBe(true)
    expect(waitsFor(steps, 'on-drain-plug', 'on-pan')).toBe(true)
    expect(waitsFor(steps, 'float-test', 'on-drain-plug')).toBe(true)
  })
  it('has its wiring photographed and every plug labelled', () => {
    expect(find(steps, 'off-cover').photo).toMatch(/wiring/)
    expect(find(steps, 'off-cover').fasteners).toContainEqual({ kind: 'labelled plug', count: 5 })
  })
  it('lines its wheel up on the flat, and needs no set screw', () => {
    expect(find(steps, 'on-wheel').gate).toMatch(/flat/)
    expect(ids(steps)).not.toContain('loosen-set-screw')
    expect(waitsFor(steps, 'on-bell-mouth', 'spin-by-hand')).toBe(true)
  })
  it('proves pump and float with power on, and only where there is a pump', () => {
    expect(find(steps, 'pump-test').gate).toMatch(/float switch stopped/)
    expect(waitsFor(steps, 'pump-test', 'power-on')).toBe(true)
    expect(ids(stepsOf({ ...unit, design: { drain: 'gravity' } }))).not.toContain('pump-test')
  })
  it('has nothing poured behind its pump: what the pump lifts is timed once it has power', () => {
    expect(ids(steps)).not.toContain('flow-test')
    expect(ids(steps)).not.toContain('flush-drain')
    expect(find(steps, 'pump-test').title).toMatch(/pour one litre into the pan .* time/)
  })
  it('has its sheet hung once grille and panel are down', () => expect(waitsFor(steps, 'set-containment', 'off-cover')).toBe(true))
  it('leaves plug alone where there is none, and tests the drain in place', () => {
    const design = { drainPlug: false, drain: 'gravity' as const }
    const plain = stepsOf({ family: 'ceiling-cassette', design, grades: { coilFace: { grade: 2 } } })
    expect(ids(plain)).not.toContain('off-drain-plug')
    expect(find(plain, 'flow-test').phase).toBe('pan-and-drain')
  })
  it('is overhead work: ladder and goggles', () => {
    expect(find(steps, 'off-pan').equipment).toEqual(['step-ladder'])
    expect(find(steps, 'off-filters').cautions.join()).toMatch(/goggles/)
  })
})

describe('a window unit', () => {
  const soiled: Partial<UnitJob> = {
    family: 'window',
    design: { slideOut: false },
    grades: { wheel: { grade: 3 }, condenserFace: { grade: 3, kinds: ['leaf-litter'] }, basePan: { grade: 2 }, rearFan: { grade: 1 } },
  }
  const bench = stepsOf(soiled)
  it('is held before it is freed, carried by two, and stands upright before it runs', () => {
    expect(waitsFor(bench, 'off-chassis', 'secure-unit')).toBe(true)
    expect(find(bench, 'off-chassis')).toMatchObject({ people: 2 })
    expect(find(bench, 'stand-upright')).toMatchObject({
      wait: { leastMin: 10, for: 'the oil to run back into the compressor' },
      how: expect.stringContaining('laid on its side'),
    })
    expect(find(bench, 'power-on').after).toContain('stand-upright')
    expect(find(bench, 'on-chassis').gate).toMatch(/is secured/)
    expect(find(bench, 'run-test').gate).toMatch(/does not move/)
  })
  it('is carried by one where it is light', () =>
    expect(find(stepsOf({ ...soiled, design: { weightKg: 20, slideOut: false } }), 'off-chassis').people).toBe(1))
  it('respects what the crew and the firm lift', () => {
    const scope = (rest: Rest) => planInEnglish(jobWith(soiled, rest)).units[0].decisions[0].choice
    expect(scope({ crew: [{ name: 'A', trained: ['electrics'] }] })).toBe('open-clean')
    expect(scope({ crew: [{ name: 'A' }, { name: 'B', liftKg: 5 }] })).toBe('open-clean')
    expect(scope({ crew: [{ name: 'A' }], houseRules: { liftLimitKg: 31 } })).toBe('bench-clean')
  })
  it('has both coils, rear fan and base pan washed on the bench', () => {
    for (const id of ['clear-condenser', 'apply-condenser', 'rinse-condenser', 'wipe-rear-fan', 'wash-base-pan', 'check-motor'])
      expect(ids(bench)).toContain(id)
    expect(find(bench, 'rinse-condenser').equipment).toEqual(['hose'])
    expect(find(bench, 'apply-condenser').gate).toMatch(/indoor side/)
    expect(waitsFor(bench, 'rinse-condenser', 'apply-condenser')).toBe(true)
  })
  it('that slides is slid onto a stand, half its weight lifted, and washed there', () => {
    const slides = { ...soiled, design: { slideOut: true, weightKg: 40 } }
    const steps = stepsOf(slides, { crew: [{ name: 'A' }] })
    expect(find(steps, 'set-containment').equipment).toEqual(['stand', 'funnel-sheet', 'bucket'])
    expect(find(steps, 'off-chassis')).toMatchObject({ people: 1, liftKg: 20, title: expect.stringContaining('level onto the stand') })
    expect(find(steps, 'rinse-condenser').equipment).toEqual(['pump-wand', 'residual-current-plug'])
    expect(waitsFor(steps, 'take-down', 'on-chassis')).toBe(true)
    const location = (equipment: typeof builtInVan) =>
      planInEnglish(jobWith(slides, { equipment: [...equipment] })).units[0].decisions.find(({ topic }) => topic === 'location')
    expect(location(builtInVan.map((piece) => (piece.kind === 'stand' ? { ...piece, limitKg: 39 } : piece)))).toMatchObject({
      choice: 'outdoors',
      because: expect.arrayContaining([expect.stringContaining('no stand in the van carries 40 kg')]),
    })
    expect(location(builtInVan.filter(({ kind }) => kind !== 'funnel-sheet'))?.because.join()).toMatch(/no funnel sheet/)
  })
  it('keeps plug in sight instead of a breaker', () => expect(find(bench, 'isolate').title).toMatch(/unplug it/))
  it('warns of the pipe behind every screw', () =>
    expect(find(bench, 'off-cover').cautions.join()).toMatch(/pipe runs right behind: no longer screw/))
  it('that stays in has its outlet covered before the condenser is sprayed from outside', () => {
    const stays = stepsOf({ ...soiled, design: { removable: false, storey: 0 } })
    expect(ids(stays)).not.toContain('off-chassis')
    expect(waitsFor(stays, 'off-filters', 'cover-outlet')).toBe(true)
    expect(find(stays, 'rinse-condenser').equipment).toEqual(['pump-sprayer'])
  })
  it('upstairs has nobody working from outside, and says what stays dirty', () => {
    const [unit] = planInEnglish(jobWith({ ...soiled, design: { removable: false, storey: 2 } })).units
    expect(ids(unit.steps)).not.toContain('rinse-condenser')
    expect(unit.notReached.map(({ part }) => part)).toEqual(['wheel', 'condenserFace', 'rearFan', 'basePan'])
  })
})

describe('a through-wall unit', () => {
  const soiled: Partial<UnitJob> = { family: 'through-wall', grades: { coilFace: { grade: 2 } } }
  it('has its sleeve looked at while the chassis is out', () => {
    const steps = stepsOf(soiled)
    expect(find(steps, 'inspect-sleeve')).toMatchObject({ title: expect.stringContaining('drain is open'), after: ['off-chassis'] })
    expect(find(stepsOf({ ...soiled, design: { sleeveDrain: false } }), 'inspect-sleeve').title).not.toMatch(/drain/)
    expect(find(steps, 'power-on').how).toMatch(/heater smells of dust/)
  })
  it('that is wired in is proved dead twice, and parted by somebody trained', () => {
    const steps = stepsOf({ ...soiled, design: { hardWired: true } })
    expect(find(steps, 'isolate').title).toMatch(/breaker/)
    expect(find(steps, 'off-supply')).toMatchObject({ skill: 'electrics', photo: expect.stringContaining('every wire') })
    expect(waitsFor(steps, 'off-supply', 'prove-dead-again')).toBe(true)
    expect(waitsFor(steps, 'on-supply', 'on-chassis')).toBe(true)
  })
  it('that is wired in stays where nobody may part it, and an electrician is called', () => {
    const [unit] = planInEnglish(jobWith({ ...soiled, design: { hardWired: true } }, { crew: [{ name: 'A' }, { name: 'B' }] })).units
    expect(unit.decisions[0].rule).toBe('scope-bench-stays')
    expect(unit.referrals).toContainEqual({ to: 'electrician', because: expect.stringContaining('hard-wired') })
  })
})

describe('a roof unit', () => {
  const soiled: Partial<UnitJob> = { family: 'rv-rooftop', grades: { coilFace: { grade: 2 }, wheel: { grade: 2 }, condenserFace: { grade: 2 } } }
  const steps = stepsOf(soiled)
  it('has two sources of power: the battery negative first off and last on', () => {
    expect(find(steps, 'part-battery').title).toMatch(/inverter off.*battery, negative first/)
    expect(waitsFor(steps, 'prove-dead', 'part-battery')).toBe(true)
    expect(find(steps, 'join-battery')).toMatchObject({ title: expect.stringContaining('negative last'), needsLedger: true })
    expect(find(steps, 'power-on').after).toEqual(['join-battery'])
    // An inverter counts: the battery is parted whatever the controls run on.
    expect(ids(stepsOf({ ...soiled, design: { batteryControl: false } }))).toEqual(expect.arrayContaining(['part-battery', 'join-battery']))
  })
  it('is worked on by people trained for roofs, with ladder, weather and membrane in mind', () => {
    expect(find(steps, 'go-up')).toMatchObject({ skill: 'roof', equipment: ['roof-ladder'], gate: expect.stringContaining('wind below 8 m/s') })
    expect(find(steps, 'go-up').how).toMatch(/membrane/)
    for (const id of ['off-shroud', 'vacuum-coil', 'rinse-coil', 'on-cover']) expect(find(steps, id).skill).toBe('roof')
    expect(find(steps, 'wash-filters').skill).toBeUndefined()
  })
  it('keeps everybody off the roof who is not trained for it, and offers another crew', () => {
    const [unit] = planInEnglish(jobWith(soiled, { crew: [{ name: 'A' }] })).units
    expect(ids(unit.steps)).not.toContain('go-up')
    expect(unit.offers[0]).toMatchObject({ what: 'another day, with somebody trained for roofs', minutes: expect.any(Number) })
    expect(planInEnglish(jobWith(soiled)).warnings.join('\n')).toMatch(/wind not noted/)
  })
  it('keeps cloth below until the first spin, and takes no dirt into the living space', () => {
    expect(waitsFor(steps, 'vacuum-coil', 'plug-opening')).toBe(true)
    expect(waitsFor(steps, 'on-cover', 'unplug-opening')).toBe(true)
    expect(find(steps, 'first-spin').gate).toMatch(/cloth is still under the ceiling grille/)
    expect(waitsFor(steps, 'take-down', 'first-spin')).toBe(true)
  })
  it('puts the probe back between the same fins, last before the lid', () => {
    expect(find(steps, 'off-ice-probe').photo).toMatch(/between its fins/)
    expect(find(steps, 'on-cover').after).toEqual(['on-ice-probe'])
    expect(waitsFor(steps, 'on-ice-probe', 'flow-test')).toBe(true)
  })
  it('needs nobody on the roof for its filter', () => {
    const light = stepsOf(
      { family: 'rv-rooftop', grades: { filter: { grade: 3 } } },
      { site: { outdoorAir: { dryBulbC: 20, relativeHumidity: 0.5, windMs: 15 } } },
    )
    expect(ids(light)).not.toContain('go-up')
    expect(find(light, 'off-filters').skill).toBeUndefined()
  })
})

import { builtInProducts, type Product } from '../products/index.ts'
import { jobWith } from '../tests/jobs.ts'
import type { JobFile, UnitJob } from '../plan/index.ts'
import { ruleBook, choicesOf, topics, type Topic } from './index.ts'
import { planInEnglish } from '../tests/inEnglish.ts'

type Unit = Partial<UnitJob>
type Rest = Parameters<typeof jobWith>[1]
const decisionOf = (topic: Topic, unit: Unit = {}, rest: Rest = {}) =>
  planInEnglish(jobWith(unit, rest)).units[0].decisions.find((decision) => decision.topic === topic)!
const choiceOf = (topic: Topic, unit: Unit = {}, rest: Rest = {}) => decisionOf(topic, unit, rest).choice

const coat: Unit = { grades: { coilFace: { grade: 2, kinds: ['dust'] } } }
const untrained: JobFile['crew'] = [{ name: 'Sanna' }]
const fixed = { wheelRemovable: false, coilLiftable: false, panRemovable: false }

describe('scope', () => {
  it.each([
    'scorched-plug',
    'wet-electronics',
    'unsecured-unit',
    'no-safe-access',
    'suspect-asbestos-ceiling',
    'rodent-droppings',
    'insect-nest',
  ] as const)('declines on %s', (finding) => {
    expect(decisionOf('scope', { ...coat, findings: [finding] })).toMatchObject({ choice: 'decline', rule: 'scope-decline' })
  })
  it.each(['coilBack', 'wheel', 'pan'] as const)('strips down for a %s at grade 3', (part) =>
    expect(choiceOf('scope', { grades: { [part]: { grade: 3 } } })).toBe('strip-down'),
  )
  it('strips down for smell with a wheel at 2, not without the smell', () => {
    expect(choiceOf('scope', { complaints: ['smell'], grades: { wheel: { grade: 2 } } })).toBe('strip-down')
    expect(choiceOf('scope', { grades: { wheel: { grade: 2 } } })).toBe('open-clean')
  })
  it('opens instead where the part does not come out', () =>
    expect(decisionOf('scope', { design: fixed, grades: { wheel: { grade: 4 } } })).toMatchObject({
      choice: 'open-clean',
      rule: 'scope-open-instead',
    }))
  it('opens for a coated coil face, and for water behind the cover', () => {
    expect(decisionOf('scope', coat).rule).toBe('scope-open')
    expect(decisionOf('scope', { complaints: ['drips-indoors'] }).rule).toBe('scope-open-drain')
  })
  it('stays closed for a film, and cleans lightly on a mere complaint', () => {
    expect(decisionOf('scope', { grades: { coilFace: { grade: 1 } } })).toMatchObject({ choice: 'clean-in-place', rule: 'scope-closed' })
    expect(decisionOf('scope', { complaints: ['smell'] }).rule).toBe('scope-closed-smell')
  })
  it('does the filter alone when only filter, housing or outlet are soiled', () =>
    expect(choiceOf('scope', { grades: { filter: { grade: 4 }, outlet: { grade: 3 } } })).toBe('filter-service'))
  it('needs no strip-down up to grade 2 on a quick-access design', () => {
    const unit = { complaints: ['spits-dirt' as const], design: { quickAccessOutlet: true }, grades: { wheel: { grade: 2 as const } } }
    expect(choiceOf('scope', unit)).toBe('open-clean')
    expect(choiceOf('wheel', unit)).toBe('brush-through-outlet')
  })
})

describe('rinse or no rinse', () => {
  const selfRinsing = { houseRules: { rinseSchool: 'self-rinsing' as const } }
  it('lets condensate rinse when all conditions hold, and says the figure', () => {
    const decision = decisionOf('rinse', coat, selfRinsing)
    expect(decision).toMatchObject({ choice: 'condensate', rule: 'rinse-self-school', school: 'rinseSchool' })
    expect(decision.because.join()).toMatch(/[\d.]+ L of condensate a day per m² of coil; it takes 3 L/)
    expect(choiceOf('coil-agent', coat, selfRinsing)).toBe('self-rinsing-foam')
  })
  it.each<[string, Unit, Rest]>([
    ['the coil is at grade 3', { grades: { coilFace: { grade: 3 } } }, {}],
    ['there is grease', { grades: { coilFace: { grade: 2, kinds: ['grease'] } } }, {}],
    ['there is fine powder', { grades: { coilFace: { grade: 2, kinds: ['fine-powder'] } } }, {}],
    ['there is slime on the coil', { grades: { coilFace: { grade: 2, kinds: ['biofilm'] } } }, {}],
    ['the drain is slow', { ...coat, findings: ['drain-slow'] }, {}],
    ['people are sensitive', coat, { site: { sensitiveOccupants: true } }],
    ['the air is dry', coat, { site: { outdoorAir: { dryBulbC: 36, relativeHumidity: 0.06 } } }],
    ['it is out of season', coat, { site: { outdoorAir: { dryBulbC: 8, relativeHumidity: 0.9 } } }],
    ['no foam is labelled self-rinsing', coat, { products: jobWith().products ?? [] }],
  ])('rinses although the house is self-rinsing when %s', (_, unit, rest) => {
    const decision = decisionOf('rinse', unit, { ...rest, ...selfRinsing })
    expect(decision.choice).toBe('pump-wand')
    expect(decision.turnedDown.find(({ choice }) => choice === 'condensate')).toMatchObject({ standing: 'barred' })
  })
  it('keeps dry by school for loose dust up to grade 2 alone', () => {
    const dry = { houseRules: { rinseSchool: 'dry' as const } }
    expect(choiceOf('rinse', coat, dry)).toBe('none')
    expect(choiceOf('rinse', { grades: { coilFace: { grade: 3 } } }, dry)).toBe('pump-wand')
    expect(choiceOf('rinse', { grades: { coilFace: { grade: 2, kinds: ['pollen'] } } }, dry)).toBe('pump-wand')
  })
  it('keeps dry in an equipment room, without containment, and without water for loose soil', () => {
    expect(decisionOf('rinse', coat, { site: { setting: 'equipment-room' } }).rule).toBe('rinse-equipment-room')
    expect(decisionOf('rinse', coat, { equipment: [{ id: 'v', kind: 'wet-vacuum', count: 1 }] }).rule).toBe('rinse-no-containment')
    expect(decisionOf('rinse', coat, { site: { waterOnSite: false } }).rule).toBe('rinse-no-water-dry')
  })
  it('carries water by hand where there is no tap and the soil needs a rinse', () =>
    expect(decisionOf('rinse', { grades: { coilFace: { grade: 3, kinds: ['grease'] } } }, { site: { waterOnSite: false } }).rule).toBe(
      'rinse-carried-water',
    ))
  it('uses a spray bottle for a film, needed or not', () => {
    expect(decisionOf('rinse', { grades: { coilFace: { grade: 1 } } }).rule).toBe('rinse-light')
    expect(decisionOf('rinse', { grades: { coilFace: { grade: 1, kinds: ['grease'] } } }).rule).toBe('rinse-light-needed')
  })
  it('rinses with pump and wand for heavy soil and as the usual way', () => {
    expect(decisionOf('rinse', { grades: { coilFace: { grade: 3 } } }).rule).toBe('rinse-needed')
    expect(decisionOf('rinse', coat).rule).toBe('rinse-clear-water')
  })
})

describe('what goes on the coil', () => {
  it('takes an antimicrobial against slime on the very part, and not for a smell or for slime elsewhere', () => {
    const slime = { grade: 2 as const, kinds: ['biofilm' as const] }
    expect(choiceOf('coil-agent', { grades: { coilFace: slime } })).toBe('antimicrobial-foam')
    const onWheel: Unit = { complaints: ['smell'], grades: { coilFace: { grade: 1 }, wheel: slime, pan: slime, outlet: slime } }
    expect(choiceOf('coil-agent', onWheel)).toBe('mild-detergent')
    expect(choiceOf('wheel-agent', onWheel)).toBe('antimicrobial-foam')
  })
  it('degreases, rinses, and only then treats slime that sits under grease', () => {
    const { mixes, steps, decisions } = planInEnglish(jobWith({ grades: { coilFace: { grade: 2, kinds: ['grease', 'biofilm'] } } })).units[0]
    expect(mixes.filter(({ part }) => part === 'coilFace').map(({ productId }) => productId)).toEqual(['rinse-off', 'antimicrobial'])
    const at = (id: string) => steps.findIndex((step) => step.id === id)
    expect([at('apply-degreaser'), at('rinse-degreaser'), at('apply-coil')].every((place, index, all) => place > (all[index - 1] ?? -1))).toBe(true)
    expect(decisions.find(({ topic }) => topic === 'coil-agent')!.because.join()).toMatch(/grease first: Rinse-off coil foam with warm water/)
  })
  it.each([
    ['coilFace', 'coil-agent', 'grease'],
    ['coilBack', 'coil-agent', 'smoke'],
    ['wheel', 'wheel-agent', 'smoke'],
  ] as const)('says that %s keeps its grease where %s treats slime and the van has nothing that degreases', (part, topic, kind) => {
    const unit: Unit = { grades: { [part]: { grade: 2, kinds: [kind] } }, choices: { scope: 'strip-down', [topic]: 'antimicrobial-foam' } }
    const becauseOf = (products: Product[]) => {
      const { decisions, notReached } = planInEnglish(jobWith(unit, { products })).units[0]
      expect(decisions.find((decision) => decision.topic === topic)?.choice).toBe('antimicrobial-foam')
      return notReached.find((left) => left.part === part)?.because
    }
    expect(becauseOf(builtInProducts.filter(({ class: kind }) => kind === 'antimicrobial-foam'))).toMatch(/no degreaser goes on.*not clean yet/)
    expect(becauseOf([...builtInProducts])).toBeUndefined()
  })
  it('takes foam against grease, plain water against pollen, foam from grade 2, detergent below', () => {
    expect(decisionOf('coil-agent', { grades: { coilFace: { grade: 2, kinds: ['grease'] } } })).toMatchObject({
      choice: 'rinse-off-foam',
      rule: 'agent-grease',
    })
    expect(choiceOf('coil-agent', { grades: { coilFace: { grade: 2, kinds: ['pollen'] } } })).toBe('water')
    expect(decisionOf('coil-agent', coat).rule).toBe('agent-heavy')
    expect(choiceOf('coil-agent', { grades: { coilFace: { grade: 1 } } })).toBe('mild-detergent')
  })
  it('follows the household school', () => {
    const plan = planInEnglish(jobWith(coat, { houseRules: { agentSchool: 'household' } })).units[0]
    expect(plan.decisions.find(({ topic }) => topic === 'coil-agent')).toMatchObject({ choice: 'mild-detergent', rule: 'agent-household' })
    expect(plan.mixes[0].productId).toBe('household')
  })
  it('leaves a clear coil alone', () =>
    expect(decisionOf('coil-agent', { grades: { pan: { grade: 2 } } })).toMatchObject({ choice: 'none', rule: 'agent-clear' }))
  it('never leaves a label: neither fragrance for the sensitive, nor an unfit product in a food area', () => {
    const label = {
      pH: [7, 7] as [number, number],
      dilution: [4, 4] as [number, number],
      indoorSafe: true,
      aluminiumSafe: true,
      coatedFinsSafe: true,
      rinse: 'required' as const,
    }
    const products = [{ id: 'scented', name: 'Scented foam', class: 'rinse-off-foam' as const, label: { ...label, fragranced: true } }]
    expect(decisionOf('coil-agent', { grades: { coilFace: { grade: 3 } } }, { products }).choice).toBe('rinse-off-foam')
    expect(decisionOf('coil-agent', { grades: { coilFace: { grade: 3 } } }, { products, site: { sensitiveOccupants: true } })).toMatchObject({
      choice: 'water',
      rule: 'agent-water',
    })
    expect(decisionOf('coil-agent', { grades: { coilFace: { grade: 3 } } }, { products, site: { setting: 'food' } }).choice).toBe('water')
  })
  it('takes only neutral agents on a corroded coil', () => {
    const strong = {
      id: 'strong',
      name: 'Strong foam',
      class: 'rinse-off-foam' as const,
      label: {
        pH: [9, 10] as [number, number],
        dilution: [4, 4] as [number, number],
        indoorSafe: true,
        aluminiumSafe: true,
        coatedFinsSafe: true,
        rinse: 'required' as const,
      },
    }
    const bare: Unit = { ...coat, design: { finCoating: 'none' } }
    expect(choiceOf('coil-agent', bare, { products: [strong] })).toBe('rinse-off-foam')
    expect(choiceOf('coil-agent', { ...bare, design: { finCoating: 'hydrophilic' } }, { products: [strong] })).toBe('water')
    expect(choiceOf('coil-agent', { ...bare, findings: ['fin-corrosion'] }, { products: [strong] })).toBe('water')
  })
})

describe('the wheel', () => {
  const full: Unit = { grades: { wheel: { grade: 3 } } }
  it('comes out when it is full, the design lets it, and somebody is trained', () =>
    expect(decisionOf('wheel', full)).toMatchObject({ choice: 'remove-and-wash', rule: 'wheel-remove' }))
  it.each<[string, Unit, Rest]>([
    ['the design holds it', { ...full, design: fixed }, {}],
    ['nobody is trained', full, { crew: untrained }],
    ['house rules say so', full, { houseRules: { wheelSchool: 'in-place' } }],
  ])('is washed in place when %s', (_, unit, rest) => expect(choiceOf('wheel', unit, rest)).toBe('wash-in-place'))
  it('keeps the bag on for the first spin after washing in place', () => {
    const [unit] = planInEnglish(jobWith({ ...full, design: fixed })).units
    expect(unit.decisions.find(({ topic }) => topic === 'containment')!.choice).toBe('wash-bag-to-bucket')
    const at = (id: string) => unit.steps.findIndex((step) => step.id === id)
    expect(at('first-spin')).toBeGreaterThan(at('power-on'))
    expect(at('take-down')).toBeGreaterThan(at('first-spin'))
    expect(unit.steps[at('first-spin')].gate).toMatch(/Bag or sheet is still on/)
  })
  it('is not run again when it is cracked', () => expect(choiceOf('wheel', { ...full, design: fixed, findings: ['cracked-wheel'] })).toBe('leave'))
})

describe('pan, drain, electronics, containment, drying', () => {
  it('takes the pan off when it is slimy or in the way, flushes it where it is fixed', () => {
    expect(decisionOf('pan', { grades: { pan: { grade: 3 } } }).rule).toBe('pan-remove')
    expect(decisionOf('pan', { grades: { wheel: { grade: 3 } } }).rule).toBe('pan-in-the-way')
    expect(decisionOf('pan', { design: fixed, grades: { pan: { grade: 3 } } }).rule).toBe('pan-flush')
    expect(decisionOf('pan', { grades: { coilFace: { grade: 1 }, pan: { grade: 1 } } }).rule).toBe('pan-closed')
    expect(decisionOf('pan', { design: { quickAccessOutlet: true }, grades: { coilFace: { grade: 1 }, pan: { grade: 1 } } }).rule).toBe('pan-wipe')
  })
  it('leaves the pan on when the electronics block it and stay on', () =>
    expect(choiceOf('scope', { design: { boardBlocksPan: true, boardRemovable: false, wheelRemovable: false }, grades: { pan: { grade: 3 } } })).toBe(
      'open-clean',
    ))
  it('draws a slow drain from outside, or flushes first by school, or parts it without a vacuum', () => {
    const slow: Unit = { ...coat, findings: ['drain-blocked'] }
    expect(choiceOf('drain', slow)).toBe('vacuum-from-outside')
    // What does not run at all is not flushed from the pan, whatever the school: it is cleared before anything goes in.
    expect(choiceOf('drain', slow, { houseRules: { drainSchool: 'flush-first' } })).toBe('vacuum-from-outside')
    expect(choiceOf('drain', { ...coat, findings: ['drain-slow'] }, { houseRules: { drainSchool: 'flush-first' } })).toBe('flush')
    expect(
      choiceOf('drain', slow, {
        equipment: [
          { id: 'b', kind: 'wash-bag', count: 1 },
          { id: 'p', kind: 'pump-wand', count: 1 },
          { id: 'k', kind: 'bucket', count: 1 },
        ],
      }),
    ).toBe('disconnect-and-flush')
    expect(choiceOf('drain', { ...coat, readings: { returnC: 26, returnRh: 0.5, supplyC: 14, flowTest: { litres: 1, seconds: 100 } } })).toBe(
      'vacuum-from-outside',
    )
    expect(choiceOf('drain', coat)).toBe('flow-test-only')
  })
  it('bags electronics for washing, takes them off when they block the pan, covers them on dry jobs', () => {
    expect(choiceOf('electrics', coat)).toBe('bag')
    expect(choiceOf('electrics', { design: { boardBlocksPan: true }, grades: { pan: { grade: 3 } } })).toBe('unplug-and-remove')
    expect(choiceOf('electrics', coat, { houseRules: { rinseSchool: 'dry' } })).toBe('cover')
  })
  it('catches little water in a trough and much in a bag', () => {
    expect(choiceOf('containment', { grades: { coilFace: { grade: 1 } } })).toBe('trough-and-towel')
    expect(choiceOf('containment', coat)).toBe('wash-bag-to-bucket')
    expect(choiceOf('containment', coat, { houseRules: { rinseSchool: 'dry' } })).toBe('floor-sheet')
  })
  it('treats the pan after slime or drips, and makes its life a due date', () => {
    const [unit] = planInEnglish(jobWith({ complaints: ['drips-indoors'] })).units
    expect(unit.decisions.find(({ topic }) => topic === 'pan-treatment')!.choice).toBe('slow-release')
    expect(unit.due.find(({ what }) => what === 'pan-treatment')).toEqual({ what: 'pan-treatment', weeks: 10 })
    expect(choiceOf('pan-treatment', coat)).toBe('none')
  })
  it('dries by fan or by the long school', () => {
    expect(choiceOf('drying', coat)).toBe('fan-run')
    expect(choiceOf('drying', coat, { houseRules: { dryingSchool: 'long-air-dry' } })).toBe('long-air-dry')
    expect(choiceOf('drying', { grades: { filter: { grade: 2 } } })).toBe('short-air-dry')
  })
})

describe('the last resorts', () => {
  const foamOnly = [
    {
      id: 'f',
      name: 'Foam',
      class: 'rinse-off-foam' as const,
      label: {
        pH: [7, 7] as [number, number],
        dilution: [4, 4] as [number, number],
        indoorSafe: true,
        aluminiumSafe: true,
        coatedFinsSafe: true,
        rinse: 'required' as const,
      },
    },
  ]
  const room: Rest = { site: { setting: 'equipment-room' } }
  it.each<[string, Topic, Unit, Rest]>([
    ['agent-second-best', 'coil-agent', { grades: { coilFace: { grade: 1 } } }, { products: foamOnly }],
    ['wheel-dry-brush', 'wheel', { design: { ...fixed, quickAccessOutlet: true }, grades: { coilFace: { grade: 2 }, wheel: { grade: 3 } } }, room],
    ['wheel-left', 'wheel', { design: fixed, grades: { coilFace: { grade: 2 }, wheel: { grade: 3 } } }, room],
    ['dry-none', 'dry-pass', { grades: { pan: { grade: 2 } } }, {}],
    ['pan-leave', 'pan', coat, { houseRules: { rinseSchool: 'dry' } }],
  ])('%s decides where nothing better is left', (rule, topic, unit, rest) => expect(decisionOf(topic, unit, rest).rule).toBe(rule))

  it('never leaves a plan without a decision, however little is in the van', () => {
    const kinds = ['wash-bag', 'bucket', 'pump-wand', 'wet-vacuum', 'dry-vacuum'] as const
    for (let mask = 0; mask < 2 ** kinds.length; mask++) {
      const equipment = kinds.filter((_, bit) => mask & (1 << bit)).map((kind) => ({ id: kind, kind, count: 1 }))
      for (const unit of [coat, { grades: { coilFace: { grade: 4 as const }, wheel: { grade: 4 as const }, pan: { grade: 4 as const } } }]) {
        expect(planInEnglish(jobWith(unit, { equipment, products: [] })).units[0].decisions).toHaveLength(topics.length)
      }
    }
  })
})

describe('the engine', () => {
  it('keeps a choice by hand unless a bar or a safety rule speaks against it', () => {
    expect(decisionOf('wheel', { grades: { wheel: { grade: 3 } }, choices: { wheel: 'wash-in-place' } })).toMatchObject({
      choice: 'wash-in-place',
      rule: 'by-hand',
    })
    expect(choiceOf('rinse', { grades: { coilFace: { grade: 4 } }, choices: { rinse: 'condensate' } })).toBe('pump-wand')
    expect(choiceOf('scope', { ...coat, findings: ['scorched-plug'], choices: { scope: 'open-clean' } })).toBe('decline')
  })
  it('accounts for every choice of every topic, and compares the possible ones', () => {
    const { decisions } = planInEnglish(jobWith({ complaints: ['smell'], grades: { wheel: { grade: 3, kinds: ['biofilm'] } } })).units[0]
    expect(decisions.map(({ topic }) => topic)).toEqual(topics)
    for (const { topic, choice, turnedDown } of decisions) {
      expect([choice, ...turnedDown.map((other) => other.choice)].sort()).toEqual([...choicesOf[topic]].sort())
      for (const other of turnedDown) expect(other.because).not.toBe('')
    }
    const inPlace = decisions.find(({ topic }) => topic === 'wheel')!.turnedDown.find(({ choice }) => choice === 'wash-in-place')!
    expect(inPlace.instead).toMatchObject({ minutes: expect.any(Number), waterL: expect.any(Number), risk: expect.stringContaining('first spin') })
  })
  it('has one id per rule, and every rule proposes a choice of its topic', () => {
    const ids = topics.flatMap((topic) => [...ruleBook[topic].rules, ...ruleBook[topic].bars].map(({ id }) => id))
    expect(new Set(ids).size).toBe(ids.length)
    for (const topic of topics) for (const { then } of ruleBook[topic].rules) expect(choicesOf[topic]).toContain(then)
  })
})

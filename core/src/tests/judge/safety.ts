// Nobody is hurt, nothing is flooded, nothing runs that must not: predicates of safety, each from a sentence of the brief.
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'
import { type ToldStep } from '../inEnglish.ts'

const safety = holds('safety')
const pHOf = (one: Case, productId: string) => one.products.find(({ id }) => id === productId)?.label.pH
const isLiquid = ({ id, phase }: ToldStep) =>
  (phase === 'apply' && !id.startsWith('mix-')) ||
  (phase === 'rinse' && !id.startsWith('comb-')) ||
  id === 'wash-wheel' ||
  id === 'flush-drain' ||
  id === 'flow-test'
const isWetAtUnit = (step: ToldStep) => isLiquid(step) && !['wash-filters', 'renew-filters', 'outdoor-wash'].includes(step.id)
const runs = ({ id }: ToldStep) => ['read-before', 'power-on', 'run-unit', 'run-test', 'first-spin', 'pump-test'].includes(id)
const opensOrCloses = ({ takesOff, putsBack }: ToldStep) => takesOff !== undefined || putsBack !== undefined
const text = ({ title, how = '', gate = '' }: ToldStep) => `${title} ${how} ${gate}`

/** What keeps people off a roof. */
function offTheRoof({ job }: Case): boolean {
  const { windMs = 0, rainMmH = 0, dryBulbC = 99 } = job.site.outdoorAir ?? {}
  return windMs > (job.houseRules?.roofWindLimitMs ?? 8) || rainMmH >= 0.1 || dryBulbC <= 2
}

const plain = (id: string): string => id.split('@')[0]
const dangerIsNew: readonly string[] = ['power-on', 'join-battery', 'go-up']
/** Whether a caution was said at an earlier step. */
const said = (one: Case, step: { readonly id: string }, words: RegExp): boolean =>
  one.steps.slice(0, one.at(step.id)).some(({ cautions }) => cautions.some((caution) => words.test(caution)))

export const safetyPredicates: readonly Predicate[] = [
  safety('roof-weather', 'weather bars every step above the ceiling grille, whatever the reason for going up', (one) =>
    one.roof && offTheRoof(one) && one.step('go-up') ? 'somebody goes up in wind, rain or ice' : undefined,
  ),
  safety('roof-trained', 'nobody goes up who is not roof-trained', (one) => {
    if (!one.roof || !one.step('go-up')) return undefined
    if (!one.trained('roof')) return 'nobody is trained for roofs'
    const up = new Set(one.steps.filter(({ skill, alsoSkill }) => skill === 'roof' || alsoSkill === 'roof').map(({ id }) => id))
    if (one.steps.some((step) => opensOrCloses(step) && step.part !== 'filter' && !up.has(step.id)))
      return 'a step on the roof asks for no roof training'
    for (const task of one.plan.timeline.tasks)
      if (task.unitId === one.unit.id && up.has(task.step))
        for (const name of task.who)
          if (!one.job.crew.find((member) => member.name === name)?.trained?.includes('roof')) return `${name} goes up untrained for ${task.step}`
    return undefined
  }),
  safety('roof-caution', 'again only where the danger is new (power comes back, going up)', (one) =>
    one.roof && one.step('go-up') && !one.step('go-up')?.cautions.some((words) => /roof/i.test(words))
      ? 'going up does not say what a roof is'
      : undefined,
  ),
  safety('roof-nests', 'look for nests before reaching in', (one) =>
    one.roof && one.step('off-cover') && !(one.at('look-for-nests') >= 0 && one.at('look-for-nests') < one.at('off-cover'))
      ? 'nobody looks for nests first'
      : undefined,
  ),
  safety('roof-battery', 'two sources of power: negative terminal first off and last on', (one) =>
    one.roof && one.step('power-on') && !(one.isAfter('prove-dead', 'part-battery') && one.isAfter('power-on', 'join-battery'))
      ? 'the battery is not parted and joined'
      : undefined,
  ),
  safety('roof-opening', 'plug and cover it before brushing or spraying', (one) => {
    if (!one.roof || !one.step('off-cover')) return undefined
    const flies = one.steps.findIndex((step) => step.phase === 'dry-clean' || isWetAtUnit(step))
    return firstOf(
      one.at('plug-opening') < 0 && 'the opening is not plugged',
      flies >= 0 && flies < one.at('plug-opening') && 'brushed or sprayed over an open hole',
      !one.isAfter('on-cover', 'unplug-opening') && 'closed over a plug',
    )
  }),
  safety('lift-share', 'two carry only where each may lift half; the timeline knows it', (one) => {
    const weightKg = one.noted('weightKg')
    if (weightKg === undefined) return undefined
    const limit = one.job.houseRules?.liftLimitKg ?? 23
    for (const task of one.plan.timeline.tasks) {
      if (task.unitId !== one.unit.id || !/^o(ff|n)-chassis$/.test(task.step)) continue
      for (const name of task.who) {
        const mayKg = Math.min(limit, one.job.crew.find((member) => member.name === name)?.liftKg ?? Infinity)
        // Slid level, half of it lies in the sleeve or on the stand.
        const lifted = (one.choice('location') === 'on-stand' ? weightKg / 2 : weightKg) / task.who.length
        if (mayKg < lifted) return `${name} may lift ${mayKg} kg and carries ${lifted}`
      }
    }
    return undefined
  }),
  safety('skills', 'people (skills): a step is done by who is trained for it', (one) => {
    const stepOf = new Map(one.steps.map((step) => [step.id, step]))
    for (const { unitId, step, who } of one.plan.timeline.tasks) {
      if (unitId !== one.unit.id) continue
      for (const skill of [stepOf.get(step)?.skill, stepOf.get(step)?.alsoSkill])
        if (skill && !who.every((name) => one.job.crew.find((member) => member.name === name)?.trained?.includes(skill)))
          return `${step} by somebody not trained for ${skill}`
    }
    return undefined
  }),
  safety('stops', 'power cannot be isolated, scorched plug, wet electronics, unsecured unit, no safe access, suspect asbestos: decline', (one) =>
    one.found('scorched-plug', 'wet-electronics', 'unsecured-unit', 'no-safe-access', 'suspect-asbestos-ceiling') && !one.declined
      ? 'it is cleaned all the same'
      : undefined,
  ),
  safety('stops-alive', 'a nest or droppings decline only alive or in quantity', (one) => {
    const extent = (finding: 'insect-nest' | 'rodent-droppings') => (one.found(finding) ? one.unit.findingExtent?.[finding] : 'little')
    const much = [extent('insect-nest'), extent('rodent-droppings')]
    return much.some((entry) => entry === 'alive' || entry === 'much') && !one.declined
      ? 'cleaned in spite of a live nest or droppings in quantity'
      : undefined
  }),
  safety('declined-opens-nothing', 'decline (or clean only what is safe, and refer)', (one) => {
    if (!one.declined) return undefined
    const works = one.steps.find((step) => opensOrCloses(step) || isLiquid(step) || runs(step))
    return works && `declined, and ${works.id} is done`
  }),
  safety('power-waits', 'Loose wiring, a damaged plug: a gate before any power, fan runs included', (one) => {
    if (!one.found('loose-wiring', 'oxidised-plug') || one.declined) return undefined
    const first = one.steps.findIndex(runs)
    if (first < 0) return undefined
    const gate = one.steps.findIndex(({ gate: words }) => words !== undefined && /wiring|plug/i.test(words) && /electrician|qualified/i.test(words))
    return gate < 0 || gate > first ? 'it runs before the wiring was put right' : undefined
  }),
  safety('cracked-wheel', 'A cracked wheel is not washed or refitted: unit handed back off, part ordered', (one) => {
    if (!one.found('cracked-wheel')) return undefined
    const runsAt = one.steps.find(runs)
    return firstOf(
      runsAt && `a cracked wheel runs: ${runsAt.id}`,
      one.steps.some(({ id }) => id === 'wash-wheel' || id === 'on-wheel' || id === 'brush-wheel') && 'a cracked wheel is washed or refitted',
      !one.declined && !one.steps.some((step) => /off and tagged|stays off/i.test(text(step))) && 'nobody hands it back switched off',
    )
  }),
  safety('isolated', 'all of a unit’s power is isolated and proved dead before the first strip step', (one) => {
    const strip = one.steps.findIndex(({ phase }) => phase === 'strip')
    if (strip < 0) return undefined
    return one.at('isolate') >= 0 && one.at('prove-dead') > one.at('isolate') && one.at('prove-dead') < strip && one.step('prove-dead')?.gate
      ? undefined
      : 'stripped before it was proved dead'
  }),
  safety('stored-charge', 'the 5 min wait stands in every plan in which terminals, plugs inside the unit, or the box itself are touched', (one) => {
    const touches = one.steps.some(
      ({ takesOff = '', fasteners = [], title, phase }) =>
        phase === 'strip' &&
        (/box|sensor plug|supply/.test(takesOff) || fasteners.some(({ kind }) => /plug|wire/.test(kind)) || /bag them/.test(title)),
    )
    if (!touches) return undefined
    return one.steps.some(({ phase, wait }) => phase === 'isolate' && wait !== undefined && wait.leastMin >= 5 && /charge/.test(wait.for))
      ? undefined
      : 'no wait for stored charge'
  }),
  safety('no-meter', 'No meter in the van: nobody proves dead; plan says so and opens no electrics', (one) => {
    if (one.has('meter') || one.declined) return undefined
    return firstOf(
      one.steps.some(({ equipment }) => equipment.includes('meter')) && 'a meter is used that is not there',
      one.steps.some(({ takesOff = '' }) => /box|supply/.test(takesOff)) && 'electrics are opened without a meter',
      !one.plan.warnings.some((words) => /no meter/i.test(words)) && 'it is not said that there is no meter',
    )
  }),
  safety('containment-first', 'containment stands before the first liquid', (one) => {
    const liquid = one.steps.findIndex(isWetAtUnit)
    if (liquid < 0) return undefined
    const set = Math.max(one.at('set-containment'), one.at('clear-below'))
    const needsOwn = one.choice('containment') !== 'floor-sheet' || one.inItsWall
    return firstOf(
      set < 0 || set > liquid ? 'wet before anything catches it' : undefined,
      needsOwn && one.at('set-containment') < 0 && 'nothing is set that catches the water',
    )
  }),
  safety('containment-gate', 'Gates cannot be skipped: containment in place before liquid', (one) => {
    const set = one.step('set-containment')
    return set && !set.gate ? 'the containment has no gate' : undefined
  }),
  safety('one-box-in-place', 'One-box unit cleaned in place: sheet and covered outlet, with a gate', (one) => {
    const first = one.steps.findIndex((step) => step.phase === 'rinse' || step.phase === 'apply')
    if (!one.inItsWall || !one.opened || first < 0) return undefined
    return firstOf(!one.step('cover-outlet')?.gate && 'the outlet is not covered', one.at('cover-outlet') > first && 'the outlet is covered too late')
  }),
  safety('closed-round', 'a gate says what was really set', (one) =>
    one.choice('containment') === 'floor-sheet' && one.steps.some(({ gate = '' }) => /closed round/.test(gate))
      ? 'a sheet that lies is called closed round the unit'
      : undefined,
  ),
  safety('catcher-in-van', 'No bag and no way to improvise one → dry school, or decline', (one) => {
    const needs: Record<string, string[]> = {
      'wash-bag-to-bucket': ['wash-bag', 'bucket'],
      'funnel-sheet-to-bucket': ['funnel-sheet', 'bucket'],
      'trough-and-towel': ['bucket'],
    }
    const missing = (needs[one.choice('containment')] ?? []).find((kind) => !one.has(kind))
    return missing && one.opened ? `${missing} is not in the van` : undefined
  }),
  safety('first-spin', 'A wheel that was washed, wherever, throws at its first spin: bag, covered outlet, or outdoors', (one) => {
    if (!one.step('wash-wheel') || !one.step('power-on')) return undefined
    if (!one.step('first-spin')) return 'no first spin after the wheel was washed'
    const hangs = ['wash-bag-to-bucket', 'funnel-sheet-to-bucket', 'opening-plug-and-rags'].includes(one.choice('containment'))
    const covered = one.steps.some(({ id, gate = '' }) => /outlet is covered/i.test(gate) && one.isAfter('first-spin', id))
    return firstOf(
      !hangs && !covered && 'it spins uncovered',
      hangs && one.at('take-down') < one.at('first-spin') && !one.step('cover-for-spin') && 'what caught the water is down before the first spin',
    )
  }),
  safety(
    'water-last-down',
    'whatever pours water happens while containment still hangs and before covers, panel and power are back, except the check that needs power',
    (one) => {
      const down = one.at('take-down')
      const pours = one.steps.filter(({ id }) =>
        ['flow-test', 'float-test', 'flush-drain', 'rinse-coil', 'rinse-condenser', 'pump-test'].includes(id),
      )
      const late = down >= 0 ? pours.find(({ id }) => id !== 'pump-test' && one.at(id) > down) : undefined
      const closed = pours.find(({ id }) => id !== 'pump-test' && one.at('on-cover') >= 0 && one.at(id) > one.at('on-cover'))
      const powered = pours.find(({ id }) => id !== 'pump-test' && one.at('power-on') >= 0 && one.at(id) > one.at('power-on'))
      return firstOf(
        late && `${late.id} after everything is down`,
        closed && `${closed.id} with the cover on`,
        powered && `${powered.id} with power on`,
      )
    },
  ),
  safety('pump-test', 'cassette pump test with power has its own bucket; see that the float switch stops it', (one) => {
    if (!one.hasPump || !one.reachesPan || !one.steps.some(isWetAtUnit) || one.found('cracked-wheel')) return undefined
    const test = one.step('pump-test')
    return firstOf(
      !test && 'pump and float are untested',
      test && !test.equipment.includes('bucket') && 'no bucket of its own',
      test && !/float/i.test(text(test)) && 'the float is not in it',
    )
  }),
  safety('flow-test', 'Every plan that touches the drain ends with flow test, and float test where there is a float', (one) => {
    // A unit that holds water by design has no flow test: its pan is rinsed and looked at.
    const holdsWater = one.unit.family === 'window' || (one.unit.family === 'through-wall' && one.noted('sleeveDrain') !== true)
    if (!one.opened || holdsWater) return one.step('flow-test') ? 'a flow test where water is to stay' : undefined
    const touches = one.steps.some(
      (step) => isWetAtUnit(step) || ['draw-drain', 'part-drain', 'flush-drain-first', 'open-drain-holes', 'wash-pan'].includes(step.id),
    )
    const poured = one.step('flow-test')
    if (!one.reachesPan) {
      const told = /drain was not tested/.test(one.step('hand-over')?.gate ?? '') || one.found('cracked-wheel')
      return firstOf(
        poured && 'poured into a pan that is not reached',
        touches && !one.step('see-condensate') && !told && 'nothing shows that the drain runs, and nobody says so',
      )
    }
    if (one.hasPump)
      return firstOf(
        poured && 'poured behind a lift pump',
        touches && !one.step('float-test') && 'no float test',
        touches && !one.step('pump-test') && !one.found('cracked-wheel') && 'no flow through the pump',
      )
    return firstOf(
      touches && !poured && 'no flow test',
      one.step('flow-test') &&
        one.steps.some((step) => (step.phase === 'rinse' || step.phase === 'wheel') && isWetAtUnit(step) && one.at(step.id) > one.at('flow-test'))
        ? 'washed after the flow test'
        : undefined,
    )
  }),
  safety('failed-drain', 'A drain that failed is cleared before foam or water goes in, whichever school', (one) => {
    const flow = one.unit.readings?.flowTest
    const failed =
      one.found('drain-blocked') ||
      (flow !== undefined && flow.litres / (flow.seconds / 60) < 0.3) ||
      (flow === undefined && one.grade('drainLine') === 4)
    if (!failed || !one.opened) return undefined
    const liquid = one.steps.findIndex(
      (step) => (step.phase === 'apply' && !step.id.startsWith('mix-')) || step.phase === 'rinse' || step.phase === 'wheel',
    )
    const cleared = one.steps.findIndex(({ id }) => ['draw-drain', 'part-drain', 'open-drain-holes'].includes(id))
    return firstOf(
      cleared < 0 && 'a drain that does not run is not cleared',
      liquid >= 0 && cleared > liquid && 'foam or water goes in before the drain is clear',
      cleared >= 0 && !one.steps[cleared].gate && 'nobody confirms that it runs',
    )
  }),
  safety('breathed-ph', '4–10 at most on any breathed-air side, whatever class the label claims', (one) => {
    const bad = one.own.mixes.find(({ productId, part }) => part !== 'condenserFace' && outside(pHOf(one, productId), 4, 10))
    return bad && `${bad.productId} on ${bad.part}`
  }),
  safety('coated-ph', 'pH 6–8.5 on coated (hydrophilic counts) or corroded fins', (one) => {
    const coated = one.noted('finCoating') !== 'none' || one.found('fin-corrosion')
    const bad = one.own.mixes.find(({ productId, part }) => coated && part === 'coilFace' && outside(pHOf(one, productId), 6, 8.5))
    return bad && `${bad.productId} on coated fins`
  }),
  safety('breathed-label', 'never an alkaline degreaser or acid, never bleach on aluminium: labels are never left', (one) => {
    const bad = one.own.mixes.find(({ productId, part }) => {
      const product = one.products.find(({ id }) => id === productId)
      if (!product) return true
      if (!product.label.aluminiumSafe || ['acid-cleaner', 'chlorine-cleaner'].includes(product.class)) return true
      return part !== 'condenserFace' && (!product.label.indoorSafe || ['alkaline-degreaser', 'outdoor-foam'].includes(product.class))
    })
    return bad && `${bad.productId} on ${bad.part}`
  }),
  safety('food-and-scent', 'food area; nothing fragranced where occupants are sensitive', (one) => {
    const bad = one.own.mixes.find(({ productId, part }) => {
      const label = one.products.find(({ id }) => id === productId)?.label
      if (!label || part === 'condenserFace') return false
      return (
        (one.job.site.setting === 'food' && label.foodAreaAllowed !== true) || (one.job.site.sensitiveOccupants === true && label.fragranced === true)
      )
    })
    return bad && bad.productId
  }),
  safety('two-agents', 'Never two agents on a part without a rinse between', (one) => {
    const onCoil = one.own.mixes.filter(({ part }) => part === 'coilFace')
    if (new Set(onCoil.map(({ productId }) => productId)).size < 2) return undefined
    return one.isAfter('apply-coil', 'rinse-degreaser') && one.isAfter('rinse-degreaser', 'apply-degreaser')
      ? undefined
      : 'no rinse between two agents'
  }),
  safety('rinse-required', 'never anything left on the coil that its label wants rinsed', (one) => {
    const bad = one.own.mixes.find(
      ({ productId, part }) => part === 'coilFace' && one.products.find(({ id }) => id === productId)?.label.rinse === 'required',
    )
    return bad && !one.step('rinse-coil') && !one.step('rinse-degreaser') ? `${bad.productId} is not rinsed off` : undefined
  }),
  safety('powder-air', 'fine powder: vacuum completely dry first', (one) => {
    const powder = Object.keys(one.unit.grades).some((part) => one.kinds(part as never).includes('fine-powder'))
    return powder && one.steps.some(({ equipment }) => equipment.includes('air-line')) ? 'powder is blown' : undefined
  }),
  safety('dwell', 'a wait with a least and a most: dwell by the label', (one) => {
    for (const task of one.steps) {
      if (task.id !== 'apply-coil' || !task.wait) continue
      const product = one.products.find(({ name }) => task.wait?.for.startsWith(name))
      const [least, most] = product?.label.dwellMin ?? [task.wait.leastMin, task.wait.mostMin]
      if (task.wait.leastMin !== least || task.wait.mostMin !== most) return 'the dwell is not the label’s'
    }
    return undefined
  }),
  safety('upright', 'a unit that was carried upright waits ten minutes before it runs, one that was laid over an hour', (one) => {
    if (!one.step('off-chassis') || !one.step('power-on')) return undefined
    const stand = one.step('stand-upright')
    return firstOf(
      !stand?.wait || stand.wait.leastMin < 10 ? 'not ten minutes upright' : undefined,
      !/1 h/.test(stand?.how ?? '') && 'nobody says that an hour is needed where it was laid over',
      !one.isAfter('power-on', 'stand-upright') && 'power does not wait for it',
      stand?.mayEndEarly !== 'owner' && 'anybody may shorten it',
    )
  }),
  safety('secured', 'what holds the unit up in the window, and the sash, must be secured first', (one) =>
    one.unit.family === 'window' && one.step('off-chassis') && !one.isAfter('off-chassis', 'secure-unit')
      ? 'not secured before the first screw'
      : undefined,
  ),
  safety('ledger-power', 'The ledger must balance before the step "power on"', (one) =>
    one.step('power-on') && !(one.step('power-on')?.needsLedger === true && one.isAfter('power-on', 'check-ledger'))
      ? 'power does not wait for the ledger'
      : undefined,
  ),
  safety('hands', 'nobody’s hands inside before power', (one) =>
    one.step('power-on') && !/hands/i.test(one.step('power-on')?.gate ?? '') ? 'no word on hands' : undefined,
  ),
  safety('ladder', 'A caution is said once, at the first step it applies to', (one) => {
    const first = one.steps.find(({ equipment }) => equipment.includes('step-ladder'))
    return first && !first.cautions.some((words) => /ladder/i.test(words)) && !said(one, first, /ladder/i)
      ? `${first.id} is the first on the ladder, and does not say so`
      : undefined
  }),
  safety(
    'caution-missing',
    'Added where they are missing: ladder and goggles while spraying overhead, residual-current protection beside water',
    (one) => {
      const spray = one.split ? one.steps.find(({ id }) => ['apply-degreaser', 'apply-coil', 'rinse-coil'].includes(id)) : undefined
      const mains = one.steps.find(({ equipment }) => equipment.some((kind) => kind === 'wet-vacuum' || kind === 'pump-wand'))
      const wet = one.steps.some(({ id }) => ['apply-coil', 'rinse-coil', 'wash-wheel'].includes(id))
      return firstOf(
        spray && !spray.cautions.some((words) => /spraying.*goggles/i.test(words)) && `${spray.id} overhead without a word on goggles`,
        wet &&
          mains &&
          !mains.cautions.some((words) => /residual/.test(words)) &&
          !said(one, mains, /residual/) &&
          `${mains.id} on the mains beside water`,
      )
    },
  ),
  safety('power-back', 'again only where the danger is new: power comes back', (one) =>
    one.step('power-on') && !one.step('power-on')?.cautions.some((words) => /hands and tools out/.test(words))
      ? 'power comes back without a word'
      : undefined,
  ),
  safety('said-once', 'A caution is said once; at most 15 a unit; refitting repeats nothing that stripping said', (one) => {
    const told = one.steps.flatMap(({ id, cautions }) => cautions.map((words) => ({ id, words })))
    const twice = told.find(({ id, words }, at) => !dangerIsNew.includes(plain(id)) && told.findIndex((other) => other.words === words) < at)
    return firstOf(twice && `${twice.id} says again: ${twice.words}`, told.length > 15 && `${told.length} cautions`)
  }),
  safety('probe', 'an ice-guard probe goes back last before the lid', (one) =>
    one.step('off-ice-probe') && !one.isAfter('on-cover', 'on-ice-probe') ? 'the lid goes on without the probe' : undefined,
  ),
  safety('set-screw', 'set screw loosened before the end plate’s screws and the lift of the coil', (one) =>
    one.step('off-end-plate') && one.step('off-wheel') && !one.isAfter('off-end-plate', 'loosen-set-screw')
      ? 'the coil is lifted over a tight set screw'
      : undefined,
  ),
  safety('bag-above-open-body', 'electronics protected, then the wash bag hung above the open body', (one) =>
    one.unit.family === 'wall-head' && one.step('off-cover') && one.step('set-containment')
      ? firstOf(
          !one.isAfter('set-containment', 'off-cover') && 'the bag hangs before the cover is off',
          one.step('off-pan') && !one.isAfter('off-pan', 'set-containment') ? 'the pan comes off before the bag hangs' : undefined,
        )
      : undefined,
  ),
]

function outside(range: readonly [number, number] | undefined, least: number, most: number): boolean {
  return range !== undefined && (range[0] < least || range[1] > most)
}

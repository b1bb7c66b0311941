// What every practitioner would sign: predicates of judgement, each from a sentence of the brief.
import type { Part } from '../../units/index.ts'
import { firstOf, holds, type Case, type Predicate } from './predicate.ts'

const judgement = holds('judgement')
const faces: readonly Part[] = ['coilFace', 'coilBack']
const on = (one: Case, parts: readonly Part[], ...kinds: string[]) => parts.some((part) => one.kinds(part).some((kind) => kinds.includes(kind)))
const agents = ['mild-detergent', 'self-rinsing-foam', 'rinse-off-foam', 'antimicrobial-foam']
const isHeavy = (one: Case, part: Part) => one.grade(part) >= 3 || on(one, [part], 'biofilm', 'grease', 'smoke')
const isLeft = (one: Case, part: Part) => one.own.notReached.some((entry) => entry.part === part)
/** The firm has not chosen this topic by hand. */
const byRule = (one: Case, ...topics: string[]) => topics.every((topic) => !(topic in (one.unit.choices ?? {})))

export const judgementPredicates: readonly Predicate[] = [
  judgement(
    'antimicrobial-coil',
    'slime in pan, drain, outlet or housing is pan work and never chooses the coil’s agent; a smell complaint alone does not choose it either',
    (one) =>
      byRule(one, 'coil-agent') && one.choice('coil-agent') === 'antimicrobial-foam' && !on(one, faces, 'biofilm')
        ? 'antimicrobial on a coil without slime'
        : undefined,
  ),
  judgement('antimicrobial-wheel', 'Coil and wheel each get their own decision', (one) =>
    byRule(one, 'wheel-agent') && one.choice('wheel-agent') === 'antimicrobial-foam' && !on(one, ['wheel'], 'biofilm')
      ? 'antimicrobial on a wheel without slime'
      : undefined,
  ),
  judgement('wheel-agent-mixed', 'no agent decision for the wheel, yet “agent, soak” with nothing mixed', (one) => {
    const wash = one.step('wash-wheel')
    const mixed = one.own.mixes.some(({ part }) => part === 'wheel')
    return firstOf(
      wash && /agent/.test(wash.title) && !mixed ? 'an agent is put on the wheel that nobody mixes' : undefined,
      !wash && mixed && 'an agent is mixed for a wheel that nobody washes',
      agents.includes(one.choice('wheel-agent')) && !mixed && 'an agent is decided and not mixed',
    )
  }),
  judgement(
    'household',
    'In a household firm dish detergent is the degreaser, warm; only slime on the part itself asks for more than household agents',
    (one) => {
      if (one.job.houseRules?.agentSchool !== 'household' || !byRule(one, 'coil-agent') || on(one, faces, 'biofilm')) return undefined
      const household = one.products.some(
        (product) => product.class === 'mild-detergent' && product.label.pH?.[0] === 6 && product.label.pH[1] === 8 && product.household,
      )
      return household &&
        ['rinse-off-foam', 'antimicrobial-foam'].includes(one.choice('coil-agent')) &&
        one.own.decisions.some(
          ({ topic, turnedDown }) =>
            topic === 'coil-agent' && turnedDown.some((other) => other.choice === 'mild-detergent' && other.standing !== 'barred'),
        )
        ? 'trade foam in a household firm'
        : undefined
    },
  ),
  judgement('degrease-first', 'Both on one part: degrease, rinse, then antimicrobial', (one) => {
    if (one.choice('coil-agent') !== 'antimicrobial-foam' || !on(one, faces, 'grease', 'smoke')) return undefined
    const isSaid = [one.because('coil-agent'), ...one.own.notReached.map(({ because }) => because)].some((words) => /no degreaser/.test(words))
    return one.step('rinse-degreaser') || isSaid ? undefined : 'slime is treated over grease'
  }),
  judgement('clear-coil', 'Clear coil (both faces 0): no agent, no rinse', (one) => {
    if (!byRule(one, 'coil-agent', 'rinse') || faces.some((part) => one.grade(part) > 0)) return undefined
    return firstOf(
      one.choice('coil-agent') !== 'none' && 'an agent on a clear coil',
      one.choice('rinse') !== 'none' && 'a clear coil is rinsed',
      one.own.mixes.some(({ part }) => part === 'coilFace') && 'something is mixed for a clear coil',
    )
  }),
  judgement('self-rinsing', 'Right only when all hold: coil grade ≤ 2, drain passes, label, enough condensate', (one) => {
    if (one.choice('rinse') !== 'condensate') return undefined
    return firstOf(
      faces.some((part) => one.grade(part) > 2) && 'on grade 3 or worse',
      one.found('drain-slow', 'drain-blocked') && 'into a drain that fails',
      on(one, faces, 'grease', 'fine-powder', 'biofilm') && 'on soil that must be rinsed',
      one.job.site.sensitiveOccupants === true && 'near sensitive occupants',
    )
  }),
  judgement('dry-heavy', 'Dry on heavy soil (grade ≥ 3, slime, grease; equipment rooms too): not a clean', (one) => {
    if (!one.opened || one.choice('rinse') !== 'none') return undefined
    const silent = faces.find((part) => isHeavy(one, part) && one.grade(part) >= 1 && !isLeft(one, part))
    return silent && `${silent} is heavily soiled, kept dry, and called reached`
  }),
  judgement('misted-heavy', 'a heavily soiled coil misted and called done', (one) =>
    one.opened && !one.roof && one.choice('rinse') === 'spray-bottle' && one.grade('coilFace') >= 3 && !isLeft(one, 'coilFace')
      ? 'a mat, sprayed by hand, is called done'
      : undefined,
  ),
  judgement('left-dirty-due', 'Never "0 weeks": a part left dirty is "not clean: come back", with a date', (one) => {
    const zero = one.own.due.find(({ weeks, low = 1 }) => weeks < 1 || low < 1)
    if (zero) return `${zero.what} in ${zero.weeks} weeks`
    const dirty = (['coilFace', 'coilBack', 'wheel'] as const).some((part) => one.grade(part) >= 3 && isLeft(one, part))
    const deep = one.own.due.find(({ what }) => what === 'deep-clean')
    return dirty && (!deep || deep.weeks > 8)
      ? `a part is left at grade 3 or worse, and the next clean is due in ${deep?.weeks ?? 'no'} weeks`
      : undefined
  }),
  judgement('condenser', 'Insects, leaves, or grade ≥ 3 with nothing put on and nothing rinsed is not a clean condenser: say "not proved"', (one) => {
    if (!one.opened || !(one.roof || one.choice('location') !== 'in-place')) return undefined
    const lodged = (['condenserFace', 'condenserInside'] as const).filter((part) => one.grade(part) >= 3 || on(one, [part], 'insects', 'leaf-litter'))
    const treated = one.choice('condenser-agent') !== 'none' || one.choice('condenser-rinse') !== 'none'
    return !treated && lodged.some((part) => one.grade(part) >= 1 && !isLeft(one, part))
      ? 'a condenser full of insects, leaves or mat is called reached'
      : undefined
  }),
  judgement('condenser-carried', 'water carried in a sprayer serves where the site has none', (one) => {
    const dirty = one.grade('condenserFace') >= 2 && one.opened && one.roof && byRule(one, 'condenser-agent', 'condenser-rinse')
    const water = one.job.site.waterOnSite || (one.job.site.carriedWaterL ?? 10) >= 1
    return dirty && water && (one.has('spray-bottle') || one.has('pump-sprayer')) && one.choice('condenser-rinse') === 'none'
      ? 'water in the van, and the condenser stays dry'
      : undefined
  }),
  judgement('findings-lead', 'Every finding leads somewhere: a step, a gate, a referral, a part to order or a sentence in the report', (one) => {
    const silent = (one.unit.findings ?? []).find(
      (finding) => !one.own.findings.some((entry) => entry.finding === finding && entry.leadsTo.length > 0),
    )
    return silent && `${silent} leads nowhere`
  }),
  judgement('complaints-answered', 'the report answers each by name', (one) => {
    const silent = one.unit.complaints.find(
      (complaint) => !one.own.complaints.some((entry) => entry.complaint === complaint && entry.answer.length > 20),
    )
    return silent && `${silent} is not answered`
  }),
  judgement('bent-fins', 'a combing step after the dry pass, a fin comb in the kit', (one) => {
    if (!one.found('bent-fins') || !one.opened) return undefined
    const comb = one.step('comb-fins')
    return firstOf(
      !comb && 'no combing',
      comb && one.has('fin-comb') && !one.plan.kit.some(({ item }) => /fin comb/.test(item)) && 'no comb in the kit',
      comb && one.at('vacuum-coil') > one.at('comb-fins') && 'combed before the dry pass',
    )
  }),
  judgement('off-level', 'off level found → put right or referred, gate before hand-over', (one) => {
    const level = one.unit.readings?.levelMmPerM
    if (!one.found('off-level') && !(level !== undefined && level < 2)) return undefined
    return one.steps.some(({ gate = '' }) => /off level|falls? .*mm/i.test(gate)) ? undefined : 'no gate for the level'
  }),
  judgement('strip-takes-out', 'no strip-down where nothing is taken out', (one) => {
    if (one.choice('scope') !== 'strip-down') return undefined
    return firstOf(
      !one.step('off-wheel') && !one.step('off-pan') && 'stripped down, and nothing comes out',
      one.because('scope').trim() === '' && 'without a reason',
    )
  }),
  judgement('scope-strip', 'strip-down where any of coilBack, wheel, pan is grade ≥ 3 — and the design lets the part come out', (one) => {
    if (one.unit.family !== 'wall-head' || !byRule(one, 'scope') || one.declined || one.found('cracked-wheel')) return undefined
    const wheelOut =
      one.noted('wheelRemovable') === true &&
      one.noted('coilLiftable') !== false &&
      one.trained('wheel-removal') &&
      one.job.houseRules?.wheelSchool !== 'in-place'
    return one.grade('wheel') >= 3 && wheelOut && one.choice('scope') !== 'strip-down' ? 'a wheel that comes out is left in' : undefined
  }),
  judgement('cassette-wheel', 'A cassette’s wheel hangs on nut and washer and comes off unless noted otherwise', (one) => {
    if (
      one.unit.family !== 'ceiling-cassette' ||
      one.noted('wheelRemovable') !== undefined ||
      one.declined ||
      !byRule(one, 'scope', 'wheel') ||
      one.found('cracked-wheel')
    )
      return undefined
    const may = one.trained('wheel-removal') && one.job.houseRules?.wheelSchool !== 'in-place'
    return may && one.grade('wheel') >= 3 && !one.step('off-wheel') ? 'a silent cassette counts as one whose wheel is fixed' : undefined
  }),
  judgement('wheel-said-once', 'wheel decided twice in contradicting words', (one) => {
    const scope = one.because('scope')
    return one.choice('wheel') === 'leave' && /washed where it sits|wheel is washed/.test(scope)
      ? 'the scope promises a wash that the wheel does not get'
      : undefined
  }),
  judgement('treatment', 'Pan treatment on every job with biofilm or a drip complaint; laid, and its life a due date', (one) => {
    const slime = (Object.keys(one.unit.grades) as Part[]).some((part) => one.kinds(part).includes('biofilm'))
    const decided = one.choice('pan-treatment') === 'slow-release'
    return firstOf(
      byRule(one, 'pan-treatment') && decided && !slime && !one.complains('drips-indoors') && 'treatment for slime nobody saw',
      decided && !one.step('treat-pan') && 'decided and charged, never laid',
      !decided && one.own.mixes.some(({ part }) => part === 'pan') && 'charged and not decided',
      decided && !one.own.due.some(({ what }) => what === 'pan-treatment') && 'laid without a due date',
    )
  }),
  judgement(
    'too-heavy',
    'Too heavy for who is coming: the plan offers "with a second person" with its price, before it gives up the bench',
    (one) => {
      const weightKg = one.noted('weightKg')
      if (
        !one.carriedFamily ||
        one.choice('location') === 'on-stand' ||
        weightKg === undefined ||
        one.noted('removable') !== true ||
        one.declined ||
        !byRule(one, 'scope') ||
        one.noted('hardWired')
      )
        return undefined
      const limit = one.job.houseRules?.liftLimitKg ?? 23
      const lifts = one.job.crew.map(({ liftKg = Infinity }) => Math.min(limit, liftKg)).sort((a, b) => b - a)
      const carried = weightKg <= lifts[0] || weightKg / 2 <= (lifts[1] ?? 0)
      const inside = (['coilFace', 'coilBack', 'wheel', 'pan', 'condenserFace', 'condenserInside', 'basePan'] as const).some(
        (part) => one.grade(part) >= 2,
      )
      return inside &&
        !carried &&
        weightKg / 2 <= limit &&
        !one.own.offers.some(({ because, minutes }) => /kg/.test(because) && minutes !== undefined)
        ? 'it quietly stays in its wall'
        : undefined
    },
  ),
  judgement('disposable', 'Disposable filter: renewed, not washed or dried', (one) => {
    if (one.noted('filter') !== 'disposable') return undefined
    return firstOf(
      one.steps.some(({ id, title }) => id === 'wash-filters' && /filters?\b(?!.*fine)/.test(title) && !/fine filter|louvres/.test(title)) &&
        'a disposable filter is washed',
      one.own.drying.some(({ part }) => part === 'filter') && 'a disposable filter is dried',
      /Filters washed/.test(one.own.customerText) && 'the customer is told that it was washed',
    )
  }),
  judgement('both-sides', '“Both sides” told where the condenser was not touched', (one) =>
    /both sides/i.test(one.own.customerText.split('.')[0]) && one.choice('condenser-agent') === 'none' && one.choice('condenser-rinse') === 'none'
      ? 'both sides, and the condenser was not touched'
      : undefined,
  ),
  judgement('readings-beat', 'Readings beat grades: cooling now comes from the readings', (one) => {
    const readings = one.unit.readings
    // Supply air that is warmer than the return while it cools, or as warm and far drier, is doubted instead.
    if (
      !readings ||
      readings.airflowM3h === undefined ||
      readings.supplyC !== readings.returnC ||
      (readings.supplyRh ?? readings.returnRh) > readings.returnRh ||
      readings.returnRh - (readings.supplyRh ?? readings.returnRh) > 0.1 ||
      one.noted('heatsOnly')
    )
      return undefined
    return one.own.expected.coolingShareNow > 0.5 ? 'it measurably delivers nothing, and is told to cool' : undefined
  }),
  judgement('ungraded-verdict', 'Before anything is graded the page claims a verdict', (one) =>
    one.own.expected.basedOn !== 'nothing' &&
    !one.unit.readings &&
    !(['filter', 'coilFace', 'coilBack', 'wheel'] as const).some((part) => one.isGraded(part))
      ? 'a share of cooling from nothing'
      : undefined,
  ),
  judgement('smell-clean', '"Smell, all clean": look further (drain trap, outside air, room), not "biofilm 100 %"', (one) => {
    const clean = (['pan', 'wheel', 'coilFace', 'coilBack', 'drainLine', 'outlet', 'housing', 'filter'] as const).every(
      (part) => one.isGraded(part) && one.grade(part) === 0,
    )
    if (!one.complains('smell') || !clean) return undefined
    const biofilm = one.own.diagnosis.find(({ cause }) => cause === 'biofilm in pan')
    return biofilm && biofilm.weight > 0.5 ? `biofilm ${biofilm.weight} on a unit that is clear` : undefined
  }),
  judgement('charge', 'Not cold with dirty wheel or coil: clean first', (one) => {
    const dirty = one.grade('wheel') >= 3 && one.grade('coilFace') >= 3
    const other = one.found('oil-stain') || one.unit.readings !== undefined || one.complains('ices-up')
    return one.complains('not-cold') && dirty && !other && one.own.diagnosis[0]?.cause === 'low refrigerant charge'
      ? 'charge is blamed on a choked unit'
      : undefined
  }),
  judgement('long-air-dry', 'Long air dry means 24 h before it is closed and powered', (one) => {
    if (one.choice('drying') !== 'long-air-dry' || one.declined) return undefined
    const wait = one.step('open-to-dry')?.wait
    return wait === undefined || wait.leastMin < 12 * 60 ? `open for ${wait?.leastMin ?? 'no'} min` : undefined
  }),
  judgement('dry-to-touch', 'every drying wait can be ended by a person who says "dry to the touch", by name', (one) => {
    const bad = one.steps.find(
      ({ wait, mayEndEarly }) => wait && /dry/.test(wait.for) && !/electric/.test(wait.for) && mayEndEarly !== 'dry-to-the-touch',
    )
    return bad && `${bad.id} cannot be ended by a hand`
  }),
  judgement('told-before', 'smell and specks told before', (one) =>
    one.step('wash-wheel') && !one.step('tell-before') ? 'nobody tells of specks beforehand' : undefined,
  ),
  judgement('things-back', 'what is moved is photographed in its place and put back at the end', (one) => {
    const below = one.noted('below')
    if (!one.opened || below === undefined || below === 'clear') return undefined
    return firstOf(
      !one.step('clear-below')?.photo && 'what is moved is not photographed',
      !one.step('put-things-back')?.gate && 'nobody puts it back',
    )
  }),
  judgement('dry-school-dry-coil', 'the dry school wants the unit off for about five hours before, or says that it was fan-run', (one) =>
    one.opened && one.choice('rinse') === 'none' && faces.some((part) => one.grade(part) >= 1) && !one.step('coil-dry-first')
      ? 'a wet coil may be brushed'
      : undefined,
  ),
  judgement('vents', 'Roof units with ducts: airflow is read at each vent', (one) =>
    one.roof && one.noted('ducted') === true && !one.declined && !one.found('cracked-wheel') && !one.step('read-vents')
      ? 'no vents are read'
      : undefined,
  ),
  judgement('outdoor-unit', 'Outdoor unit of a split: an extra that a plan can offer and price; steps and minutes where ordered', (one) => {
    if (!one.split || one.declined) return undefined
    const ordered = one.unit.extras?.includes('outdoor-unit')
    return firstOf(
      ordered && !(one.step('outdoor-off') && one.step('outdoor-wash')) && 'ordered and not planned',
      ordered && one.step('power-on') && !one.isAfter('power-on', 'outdoor-off') ? 'power comes back over its isolator' : undefined,
      !ordered &&
        !one.own.offers.some(({ what, minutes, money }) => /outdoor unit/.test(what) && minutes !== undefined && money !== undefined) &&
        'neither looked at nor offered',
    )
  }),
]

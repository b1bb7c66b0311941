/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import type { RunningWait } from '@yastik/core/run'
import { mountOnPage, somebody, waitFor } from '../tests/mounting.ts'
import DwellClock from './DwellClock.vue'
import FastenerCount from './FastenerCount.vue'
import GradeScale from './GradeScale.vue'
import PersonForm from './PersonForm.vue'
import SchoolSwitch from './SchoolSwitch.vue'
import UnitForm from './UnitForm.vue'

const tapsOf = (wrapper: ReturnType<typeof mountOnPage>, css: string) => wrapper.find(css)

describe('a school', () => {
  const school = (props: Record<string, unknown>) =>
    mountOnPage(SchoolSwitch, { school: 'rinseSchool', value: 'rinse', houseRule: 'rinse', level: 2, ...props }, {}, somebody())
  it('is chosen at once as a house rule', async () => {
    const wrapper = school({})
    await wrapper.find('[data-option="dry"] input').setValue(true)
    expect(wrapper.emitted('choose')).toEqual([['dry', '']])
  })
  it('asks why for one job, and is decided with the reason', async () => {
    const wrapper = school({ asksWhy: true })
    await wrapper.find('[data-option="dry"] input').setValue(true)
    expect(wrapper.emitted('choose')).toBeUndefined()
    await wrapper.find('[name="school-because"]').setValue('  the carpet is new ')
    await wrapper.find('form').trigger('submit')
    expect(wrapper.emitted('choose')).toEqual([['dry', 'the carpet is new']])
  })
  it('needs no reason for the way back to the house rule', async () => {
    const wrapper = school({ asksWhy: true, value: 'dry' })
    await wrapper.find('[data-option="rinse"] input').setValue(true)
    expect(wrapper.emitted('choose')).toEqual([['rinse', '']])
  })
  it('says what each way brings, and which is the house rule', () => {
    const wrapper = school({ brings: { dry: '−20 min' } })
    expect(wrapper.find('[data-option="rinse"]').text()).toContain('house rule')
    expect(wrapper.find('[data-brings="dry"]').text()).toBe('−20 min')
  })
})

describe('the scale of a part', () => {
  it('keeps the kinds of soil when the grade changes, and asks for none on a clear part', async () => {
    const wrapper = mountOnPage(GradeScale, { part: 'wheel', value: { grade: 2, kinds: ['dust'] } })
    await wrapper.find('[data-set-grade="3"] input').setValue(true)
    expect(wrapper.emitted('set')).toEqual([[3, ['dust']]])
    // Kinds of soil come once the grades were painted.
    await waitFor(() => wrapper.find('[data-soil="grease"]').exists())
    await wrapper.find('[data-soil="grease"] input').setValue(true)
    expect(wrapper.emitted('set')?.at(-1)).toEqual([2, ['dust', 'grease']])
    await wrapper.setProps({ value: { grade: 0 } })
    expect(wrapper.find('[data-soil]').exists()).toBe(false)
  })
  it('takes a grade away', async () => {
    const wrapper = mountOnPage(GradeScale, { part: 'pan', value: { grade: 1 } })
    await wrapper.find('button').trigger('click')
    expect(wrapper.emitted('set')).toEqual([[null, []]])
  })
})

describe('fasteners', () => {
  it('are counted down to none and no further, and all at one tap', async () => {
    const wrapper = mountOnPage(FastenerCount, { kind: 'screw', beside: '3 came out', direction: 'back', all: 3, modelValue: 0 })
    await tapsOf(wrapper, '[data-less]').trigger('click')
    expect(wrapper.emitted('update:modelValue') ?? []).toEqual([])
    await tapsOf(wrapper, '[data-more]').trigger('click')
    await tapsOf(wrapper, '[data-all-back]').trigger('click')
    expect(wrapper.emitted('update:modelValue')).toEqual([[1], [3]])
    expect(tapsOf(wrapper, '[data-all-back]').attributes('aria-pressed')).toBe('true')
  })
  it('offer no “all” where nothing came out', () => {
    expect(mountOnPage(FastenerCount, { kind: 'screw', beside: '', direction: 'back', all: 0, modelValue: 0 }).find('[data-all-back]').exists()).toBe(
      false,
    )
  })
})

describe('a clock', () => {
  const minute = 60_000
  const clock = (nowMin: number, phase: RunningWait['phase'], mostMin?: number) =>
    mountOnPage(DwellClock, {
      nowMs: nowMin * minute,
      wait: {
        phase,
        leastAtMs: 10 * minute,
        ...(mostMin === undefined ? {} : { mostAtMs: mostMin * minute }),
        step: { id: 'dwell', title: 'wait', wait: { for: 'the foam to work', leastMin: 10 } },
      },
    })
  beforeEach(() => localStorage.setItem('yastik-silent', 'yes'))
  it.each<[number, RunningWait['phase'], number | undefined, string, string, string]>([
    [4, 'soaking', 20, 'soaking', '6:00', 'still to wait'],
    [12, 'ready', 20, 'ready', '8:00', 'may go on'],
    [12, 'ready', undefined, 'ready', 'done', 'may go on'],
    [18.5, 'ready', 20, 'near', '1:30', 'or it is too long'],
    [21, 'late', 20, 'late', '+1:00', 'too long: rinse now'],
  ])('after %p min, %s, at most %p, says so in words and figures', (nowMin, phase, most, alarm, shown, words) => {
    const wrapper = clock(nowMin, phase, most)
    expect(wrapper.attributes()).toMatchObject({ role: 'timer', 'data-alarm': alarm })
    expect(wrapper.find('.time').text()).toBe(shown)
    expect(wrapper.text()).toContain(words)
  })
  it('counts hours where there are some', () => {
    expect(clock(-80, 'soaking').find('.time').text()).toBe('1:30:00')
  })
})

describe('traits of a unit', () => {
  const form = (design: Record<string, unknown>, family = 'wall-head') =>
    mountOnPage(UnitForm, { modelValue: { name: 'Loft', family, design } }, {}, somebody())
  it('are asked as the family has them', () => {
    expect(form({}).find('[name="ceilingGapCm"]').exists()).toBe(true)
    expect(form({}, 'window').find('[name="weightKg"]').exists()).toBe(true)
    expect(form({}).find('[name="weightKg"]').exists()).toBe(false)
  })
  it('stay open where nobody noted them, and tell no from not noted', async () => {
    const wrapper = form({ wheelRemovable: false })
    const field = wrapper.findAll('.field').find((one) => one.text().startsWith('Wheel comes out'))
    const checked = () =>
      field
        ?.findAll<HTMLInputElement>('input')
        .filter(({ element }) => element.checked)
        .map(({ element }) => element.value)
    expect(checked()).toEqual(['no'])
    await field?.find('input[value="open"]').setValue(true)
    expect(wrapper.emitted('update:modelValue')?.at(-1)?.[0]).toMatchObject({ design: { wheelRemovable: undefined } })
    await field?.find('input[value="yes"]').setValue(true)
    expect(wrapper.emitted('update:modelValue')?.at(-1)?.[0]).toMatchObject({ design: { wheelRemovable: true } })
  })
})

describe('what is said of a person', () => {
  it('holds training in one order, and asks for a sign-in name only where there is none', async () => {
    const modelValue = { name: 'Rana', role: 'technician', trained: ['roof'] }
    const wrapper = mountOnPage(PersonForm, { modelValue, signIn: '' }, {}, somebody())
    expect(wrapper.find('[name="person-sign-in"]').exists()).toBe(true)
    await wrapper.find('[data-skill="wheel-removal"] input').setValue(true)
    expect(modelValue.trained).toEqual(['wheel-removal', 'roof'])
    expect(mountOnPage(PersonForm, { modelValue }).find('[name="person-sign-in"]').exists()).toBe(false)
  })
})

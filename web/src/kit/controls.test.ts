/** @jest-environment jsdom */
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import '../tests/browserParts.ts'
import { mountOnPage } from '../tests/mounting.ts'
import Choice from './Choice.vue'
import Fold from './Fold.vue'
import Notice from './Notice.vue'
import Progress from './Progress.vue'
import Tap from './Tap.vue'
import Tick from './Tick.vue'
import Ticks from './Ticks.vue'
import { optionsOf } from './option.ts'

const soils = optionsOf(['dust', 'grease', 'pollen'] as const, (name) => name)

describe('a tap', () => {
  it('sends no form unless it is told to', () => {
    expect(mountOnPage(Tap).attributes('type')).toBe('button')
    expect(mountOnPage(Tap, { type: 'submit' }).attributes('type')).toBe('submit')
  })
  it('does nothing while it is disabled', async () => {
    const tapped = jest.fn()
    const wrapper = mountOnPage(Tap, { disabled: true, onClick: tapped })
    await wrapper.trigger('click')
    expect(tapped).not.toHaveBeenCalled()
    await wrapper.setProps({ disabled: false })
    await wrapper.trigger('click')
    expect(tapped).toHaveBeenCalledTimes(1)
  })
  it('cannot be tapped while there is a reason, and says it', async () => {
    const tapped = jest.fn()
    const wrapper = mountOnPage(Tap, { off: 'say why', onClick: tapped }, { default: 'Leave out' })
    expect(wrapper.text()).toBe('Leave outsay why')
    await wrapper.trigger('click')
    expect(tapped).not.toHaveBeenCalled()
    await wrapper.setProps({ off: '' })
    expect(wrapper.text()).toBe('Leave out')
    await wrapper.trigger('click')
    expect(tapped).toHaveBeenCalledTimes(1)
  })
  it('is greyed nowhere without a word, but for the moment in which something is under way', () => {
    const root = join(process.cwd(), 'web/src')
    const views = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.vue') && !name.startsWith('kit/'))
    const greyed = views.flatMap((name) =>
      [...readFileSync(join(root, name), 'utf8').matchAll(/<Tap\b[^>]*?\s:disabled="([^"]*)"/g)].map(([, when]) => ({ name, when })),
    )
    expect(greyed.length).toBeGreaterThan(5)
    expect(greyed.filter(({ when }) => !/^(\w+\.)?busy(\.value)?( !== '')?$/.test(when))).toEqual([])
  })
  it('says whether it is pressed only where it can be', async () => {
    const wrapper = mountOnPage(Tap)
    expect(wrapper.attributes('aria-pressed')).toBeUndefined()
    await wrapper.setProps({ pressed: false })
    expect(wrapper.attributes('aria-pressed')).toBe('false')
    await wrapper.setProps({ pressed: true })
    expect(wrapper.attributes('aria-pressed')).toBe('true')
  })
  it('is a link where it leads somewhere, and a file where it fetches one', () => {
    const link = mountOnPage(Tap, { to: '/today' }, { default: 'Today' })
    expect(link.element.tagName).toBe('A')
    expect(link.attributes('href')).toBe('/today')
    const file = mountOnPage(Tap, { href: '/api/bundle', download: '' })
    expect(file.element.tagName).toBe('A')
    expect(file.attributes()).toMatchObject({ href: '/api/bundle', download: '' })
  })
})

describe('a choice', () => {
  const choice = (props: Record<string, unknown>) =>
    mountOnPage(Choice, { options: soils, modelValue: 'dust', label: 'Soil', mark: 'soil', ...props })
  it('is a named group of which one is chosen', () => {
    const wrapper = choice({})
    expect(wrapper.attributes()).toMatchObject({ role: 'radiogroup', 'aria-label': 'Soil' })
    const checked = wrapper.findAll<HTMLInputElement>('input[type="radio"]').filter(({ element }) => element.checked)
    expect(checked.map(({ element }) => element.value)).toEqual(['dust'])
    expect(new Set(wrapper.findAll<HTMLInputElement>('input').map(({ element }) => element.name)).size).toBe(1)
  })
  it('says what was chosen, and is found by its mark', async () => {
    const wrapper = choice({})
    await wrapper.find('[data-soil="pollen"] input').setValue(true)
    expect(wrapper.emitted('update:modelValue')).toEqual([['pollen']])
  })
  it('cannot be changed while it is disabled, as a whole or one of it', () => {
    expect(choice({ disabled: true }).findAll('input:disabled')).toHaveLength(3)
    const one = choice({ options: [...soils.slice(0, 2), { ...soils[2], disabled: true }] })
    expect(one.findAll('input:disabled')).toHaveLength(1)
  })
})

describe('ticks', () => {
  it('say what was ticked, and all of it in the order in which it is offered', async () => {
    const wrapper = mountOnPage(Ticks, { options: soils, modelValue: ['pollen'], label: 'Soil', mark: 'soil' })
    await wrapper.find('[data-soil="dust"] input').setValue(true)
    expect(wrapper.emitted('update:modelValue')).toEqual([[['dust', 'pollen']]])
    expect(wrapper.emitted('tick')).toEqual([['dust', true]])
    await wrapper.find('[data-soil="pollen"] input').setValue(false)
    expect(wrapper.emitted('tick')?.at(-1)).toEqual(['pollen', false])
  })
  it('stay what they are told to be', async () => {
    const wrapper = mountOnPage(Ticks, { options: soils, modelValue: ['pollen'], label: 'Soil', mark: 'soil' })
    await wrapper.setProps({ modelValue: [] })
    expect(wrapper.findAll('input:checked')).toHaveLength(0)
  })
})

describe('a tick', () => {
  it('has a name, and says whether it is on', async () => {
    const wrapper = mountOnPage(Tick, { modelValue: false, label: 'Loft on this visit' })
    expect(wrapper.find<HTMLInputElement>('input').element.labels?.[0]?.textContent).toBe('Loft on this visit')
    await wrapper.find('input').setValue(true)
    expect(wrapper.emitted('update:modelValue')).toEqual([[true]])
  })
})

describe('a fold', () => {
  it('opens by tap and by key, and says whether it is open', async () => {
    const wrapper = mountOnPage(Fold, { title: 'Why not otherwise?' }, { default: '<p>because</p>' })
    const head = wrapper.find('[role="button"]')
    expect(head.attributes()).toMatchObject({ 'aria-expanded': 'false', tabindex: '0' })
    await head.trigger('click')
    expect(head.attributes('aria-expanded')).toBe('true')
    expect(wrapper.emitted('update:modelValue')).toEqual([[true]])
    await head.trigger('keydown', { key: 'Enter', code: 'Enter' })
    expect(head.attributes('aria-expanded')).toBe('false')
  })
})

describe('a notice', () => {
  it('is said at once where it calls for something, and when it suits where it tells', () => {
    expect(mountOnPage(Notice, { kind: 'now' }, { default: 'Stop.' }).attributes('role')).toBe('alert')
    expect(mountOnPage(Notice, {}, { default: 'Saved.' }).attributes('role')).toBe('status')
  })
})

describe('progress', () => {
  it('says how far it is, and what of', () => {
    const wrapper = mountOnPage(Progress, { share: 0.424, says: 'Reading the table' })
    expect(wrapper.find('[role="progressbar"]').attributes()).toMatchObject({ 'aria-valuenow': '42', 'aria-label': 'Reading the table' })
  })
})

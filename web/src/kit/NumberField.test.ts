/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { mountOnPage, somebody } from '../tests/mounting.ts'
import NumberField from './NumberField.vue'

const imperial = somebody({ measures: { temperature: '°F', volume: 'gal', airflow: 'CFM', power: 'Btu/h' } })
const field = (props: Record<string, unknown>, me = somebody()) => {
  const wrapper = mountOnPage(NumberField, { name: 'it', modelValue: undefined, ...props }, {}, me)
  const emitted = () => wrapper.emitted<[number | undefined]>('update:modelValue')?.at(-1)?.[0]
  return { wrapper, input: wrapper.find('input'), emitted }
}

describe('a field for a number', () => {
  it.each([
    ['2.5', 2.5],
    ['2,5', 2.5],
    ['-4', -4],
    ['  7 ', 7],
    ['', undefined],
    ['much', Number.NaN],
    ['-', Number.NaN],
  ])('takes “%s” as %p, and leaves what was typed as it is', async (typed, value) => {
    const { input, emitted } = field({ modelValue: 1 })
    await input.setValue(typed)
    expect(emitted()).toEqual(value)
    expect(input.element.value).toBe(typed)
  })
  it('keeps what is typed when what it stands for comes back as no number', async () => {
    const { wrapper, input } = field({ modelValue: 1 })
    await input.setValue('-')
    await wrapper.setProps({ modelValue: Number.NaN })
    expect(input.element.value).toBe('-')
    await input.setValue('-3')
    await wrapper.setProps({ modelValue: -3 })
    expect(input.element.value).toBe('-3')
  })
  it('shows a share in percent', async () => {
    const { input, emitted } = field({ modelValue: 0.55, times: 100 })
    expect(input.element.value).toBe('55')
    await input.setValue('40')
    expect(emitted()).toBeCloseTo(0.4)
  })
  it('is read and entered in the person’s own unit', async () => {
    const { input, emitted } = field({ modelValue: 25, si: '°C' }, imperial)
    expect(input.element.value).toBe('77')
    await input.setValue('-40')
    expect(emitted()).toBeCloseTo(-40)
  })
  it('says when somebody is done with it', async () => {
    const { wrapper, input } = field({ modelValue: 1 })
    await input.setValue('3')
    expect(wrapper.emitted('commit')).toEqual([[3]])
  })
})

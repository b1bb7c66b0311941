/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { Fault } from '@yastik/core/faults'
import { flushPromises } from '@vue/test-utils'
import { defineComponent, h, ref } from 'vue'
import { z } from 'zod'
import { mountOnPage, somebody } from '../tests/mounting.ts'
import Field from './Field.vue'
import Form from './Form.vue'
import NumberField from './NumberField.vue'
import Tap from './Tap.vue'
import TextField from './TextField.vue'

const schema = z.object({ name: z.string().min(1), share: z.number().max(1), hidden: z.int().optional() })

/** A form with two fields, and one thing that it sends and that no field stands for. */
function page() {
  const sends = ref<Record<string, unknown>>({ name: '', share: 0.5 })
  const fault = ref<unknown>()
  const submitted = jest.fn()
  const set = (part: Record<string, unknown>) => (sends.value = { ...sends.value, ...part })
  const component = defineComponent(
    () => () =>
      h(
        Form,
        { sends: sends.value, schema, fault: fault.value, onSubmit: submitted },
        {
          default: () => [
            h(Field, { label: 'Name', where: 'name', hint: 'as people on site call it' }, () =>
              h(TextField, { name: 'name', modelValue: String(sends.value.name), 'onUpdate:modelValue': (name: string) => set({ name }) }),
            ),
            h(Field, { label: 'Humidity', unit: '%', where: 'share' }, () =>
              h(NumberField, {
                name: 'share',
                times: 100,
                modelValue: sends.value.share as number,
                'onUpdate:modelValue': (share?: number) => set({ share }),
              }),
            ),
          ],
          doings: () => h(Tap, { type: 'submit' }, () => 'Save'),
        },
      ),
  )
  const wrapper = mountOnPage(component, {}, {}, somebody())
  const settle = async () => {
    await flushPromises()
    await new Promise((done) => setTimeout(done, 200))
  }
  const leave = async (name: string) => {
    await wrapper.find(`[name="${name}"]`).trigger('focusout')
    await settle()
  }
  const send = async () => {
    await wrapper.find('form').trigger('submit')
    await settle()
  }
  const wrong = () => wrapper.findAll('.wrong').map((one) => one.text())
  return { wrapper, sends, fault, submitted, leave, send, wrong, settle, set }
}

describe('a form', () => {
  it('says at its field what is wrong once somebody left it, in the unit on the screen', async () => {
    const { wrapper, wrong, leave } = page()
    await wrapper.find('[name="share"]').setValue('540')
    expect(wrong()).toEqual([])
    await leave('share')
    expect(wrong()).toEqual(['Enter at most 100 %.'])
    await wrapper.find('[name="share"]').setValue('54')
    await leave('share')
    expect(wrong()).toEqual([])
  })
  it('does not complain of what somebody only passed by', async () => {
    const { wrong, leave } = page()
    await leave('name')
    expect(wrong()).toEqual([])
  })
  it('is not sent while something is wrong, says all of it, and leads to the first', async () => {
    const { wrapper, wrong, send, submitted } = page()
    await wrapper.find('[name="share"]').setValue('x')
    await send()
    expect(submitted).not.toHaveBeenCalled()
    expect(wrong()).toEqual(['Fill this in.', 'Enter a number.'])
    expect(document.activeElement).toBe(wrapper.find('[name="name"]').element)
  })
  it('is sent once it holds up', async () => {
    const { wrapper, send, submitted, wrong } = page()
    await wrapper.find('[name="name"]').setValue('Landing')
    await send()
    expect(submitted).toHaveBeenCalledTimes(1)
    expect(wrong()).toEqual([])
  })
  it('complains of nothing that is entered next, once it was sent', async () => {
    const { wrapper, set, send, wrong, settle } = page()
    await wrapper.find('[name="name"]').setValue('Landing')
    await send()
    set({ name: '' })
    await settle()
    expect(wrong()).toEqual([])
  })
  it('says at a field what is wrong further in at its place, and nowhere else', async () => {
    const { wrapper, fault, wrong, settle } = page()
    fault.value = new Fault('does-not-hold-up', {
      lines: [
        { where: 'share[1]', what: '20 is not allowed', allowed: 'at most 0.14', bound: { is: 'at most', value: 0.14 } },
        { where: 'shares', what: 'nothing of this name is known here', allowed: 'share' },
      ],
    })
    await settle()
    expect(wrong()).toEqual(['Enter at most 14 %.'])
    expect(wrapper.find('.fault').text()).toContain('shares')
    expect(wrapper.find('.fault').text()).not.toContain('share[1]')
  })
  it('says what the server found at the field that it is about, and the rest below', async () => {
    const { wrapper, fault, wrong, settle } = page()
    fault.value = new Fault('does-not-hold-up', {
      lines: [
        { where: 'name', what: 'this name is taken', allowed: 'a name that is free' },
        { where: 'crew', what: 'nobody goes', allowed: 'one at least' },
      ],
    })
    await settle()
    expect(wrong()).toEqual(['This name is taken. Allowed: a name that is free.'])
    expect(wrapper.find('.fault').text()).toContain('crew: nobody goes')
    expect(wrapper.find('.fault').text()).not.toContain('taken')
  })
  it('says below its fields what none of them stands for', async () => {
    const { wrapper, set, send } = page()
    set({ name: 'Landing', hidden: 1.5 })
    await send()
    expect(wrapper.find('.fault').text()).toContain('hidden')
  })
  it('ties label, hint and what is wrong to the control, for who listens', async () => {
    const { wrapper, send, settle } = page()
    await settle()
    const input = wrapper.find<HTMLInputElement>('[name="name"]')
    expect(input.element.labels?.[0]?.textContent).toContain('Name')
    const described = () => (input.attributes('aria-describedby') ?? '').split(' ').map((id) => document.getElementById(id)?.textContent)
    expect(described()).toEqual(['as people on site call it'])
    await send()
    expect(described()).toEqual(['Fill this in.', 'as people on site call it'])
    expect(input.attributes('aria-invalid')).toBe('true')
  })
})

/** @jest-environment jsdom */
import { mount } from '@vue/test-utils'
import { defineComponent, h } from 'vue'
import { openKeys, useKeys } from './keys.ts'

function view(run: () => void, key = 'g') {
  const component = defineComponent(() => {
    useKeys([{ key, does: 'confirm the gate', run }])
    return () => h('div', [h('input'), h('textarea'), h('button', 'Done'), h('details', [h('summary', 'more')])])
  })
  return mount(component, { attachTo: document.body })
}
const press = (on: Element | Window, init: KeyboardEventInit) => {
  const event = new KeyboardEvent('keydown', { bubbles: true, cancelable: true, ...init })
  on.dispatchEvent(event)
  return event
}

describe('keys of a view', () => {
  it('do what they say, as long as the view is open', () => {
    const run = jest.fn()
    const wrapper = view(run)
    expect(openKeys.map(({ does }) => does)).toEqual(['confirm the gate'])
    expect(press(document.body, { key: 'g' }).defaultPrevented).toBe(true)
    wrapper.unmount()
    expect(openKeys).toHaveLength(0)
    press(document.body, { key: 'g' })
    expect(run).toHaveBeenCalledTimes(1)
  })
  it.each(['input', 'textarea'])('are letters in a %s', (css) => {
    const run = jest.fn()
    const wrapper = view(run)
    expect(press(wrapper.find(css).element, { key: 'g' }).defaultPrevented).toBe(false)
    wrapper.unmount()
    expect(run).not.toHaveBeenCalled()
  })
  it.each([
    ['checkbox', 'g', 1],
    ['checkbox', 'ArrowRight', 1],
    ['checkbox', ' ', 0],
    ['radio', 'n', 1],
    ['radio', 'ArrowRight', 0],
    ['radio', ' ', 0],
  ])('after a %s was tapped: “%s” is the view’s %p times, the rest it takes itself', (type, key, times) => {
    const run = jest.fn()
    const wrapper = view(run, key)
    const input = wrapper.find('input').element as HTMLInputElement
    input.type = type
    press(input, { key })
    wrapper.unmount()
    expect(run).toHaveBeenCalledTimes(times)
  })
  it.each<KeyboardEventInit>([{ ctrlKey: true }, { metaKey: true }, { altKey: true }])('are the browser’s with %p', (held) => {
    const run = jest.fn()
    const wrapper = view(run)
    press(document.body, { key: 'g', ...held })
    wrapper.unmount()
    expect(run).not.toHaveBeenCalled()
  })
  it('leave Enter to what it presses by itself', () => {
    const run = jest.fn()
    const wrapper = view(run, 'Enter')
    press(wrapper.find('button').element, { key: 'Enter' })
    press(wrapper.find('summary').element, { key: 'Enter' })
    expect(run).not.toHaveBeenCalled()
    press(document.body, { key: 'Enter' })
    wrapper.unmount()
    expect(run).toHaveBeenCalledTimes(1)
  })
})

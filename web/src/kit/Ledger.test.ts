/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { mountOnPage, waitFor } from '../tests/mounting.ts'
import Ledger from './Ledger.vue'
import { ordered, type Column } from './column.ts'

interface Unit {
  readonly id: string
  readonly name: string
  readonly kw?: number
}
const rows: Unit[] = [
  { id: 'a', name: 'Loft', kw: 3.5 },
  { id: 'b', name: 'attic', kw: 12 },
  { id: 'c', name: 'Cellar' },
]
const columns: Column<Unit>[] = [
  { key: 'name', says: 'Unit', sort: ({ name }) => name },
  { key: 'kw', says: 'Cooling', number: true, sort: ({ kw }) => kw },
  { key: 'secret', says: 'Secret', hidden: true },
  { key: 'doings', says: '' },
]
const ledger = (props: Record<string, unknown> = {}, slots: Record<string, unknown> = {}) =>
  mountOnPage(Ledger, { rows, columns, rowKey: ({ id }: Unit) => id, title: 'Units', ...props }, slots)
const names = (wrapper: ReturnType<typeof ledger>) => wrapper.findAll('tbody tr').map((row) => row.find('td .is').text())

describe('a ledger', () => {
  it('is put in order by a tap on a heading: up, down, and as it came; what is not known goes last either way', async () => {
    const wrapper = ledger()
    const heading = () => wrapper.find('[data-order="kw"]')
    expect(names(wrapper)).toEqual(['Loft', 'attic', 'Cellar'])
    await heading().trigger('click')
    expect(names(wrapper)).toEqual(['Loft', 'attic', 'Cellar'])
    expect(heading().element.closest('th')?.getAttribute('aria-sort')).toBe('ascending')
    await heading().trigger('click')
    expect(names(wrapper)).toEqual(['attic', 'Loft', 'Cellar'])
    expect(heading().element.closest('th')?.getAttribute('aria-sort')).toBe('descending')
    await heading().trigger('click')
    expect(names(wrapper)).toEqual(['Loft', 'attic', 'Cellar'])
    expect(heading().element.closest('th')?.getAttribute('aria-sort')).toBe('none')
  })
  it('is a table to who listens, with its title, whatever a phone makes of it', () => {
    const wrapper = ledger()
    expect(wrapper.find('[role="table"] caption').text()).toBe('Units')
    expect(wrapper.findAll('[role="columnheader"]').map((one) => one.text().trim())).toEqual(['Unit', 'Cooling', 'doings'])
    expect(wrapper.findAll('[role="cell"]')).toHaveLength(9)
  })
  it('leaves out what is hidden, and names its rows where it is asked to', () => {
    const wrapper = ledger({ headed: true })
    expect(wrapper.text()).not.toContain('Secret')
    expect(wrapper.findAll('th[scope="row"]')).toHaveLength(3)
  })
  it('says that there is nothing, or that it is still being fetched', async () => {
    const wrapper = ledger({ rows: [], empty: 'No units yet.' })
    expect(wrapper.text()).toBe('No units yet.')
    await wrapper.setProps({ loading: true })
    expect(wrapper.find('[role="status"]').text()).toBe('Loading …')
  })
  it('draws cells by their column, and takes marks for its rows', () => {
    const wrapper = ledger({ rowAttrs: ({ id }: Unit) => ({ 'data-unit': id }) }, { doings: '<b>open {{ params.row.name }}</b>' })
    expect(wrapper.find('[data-unit="c"] td:last-child').text()).toBe('open Cellar')
  })
  it('scrolls by keys where it keeps its lines', () => {
    const frame = ledger({ keepsLines: true }).find('.ledger-frame')
    expect(frame.attributes()).toMatchObject({ tabindex: '0', role: 'region', 'aria-label': 'Units' })
  })
})

describe('a long ledger', () => {
  it('draws what is seen first, and the rest after the paint', async () => {
    const many = Array.from({ length: 75 }, (_, at) => ({ id: String(at), name: `Room ${at}` }))
    const wrapper = ledger({ rows: many })
    expect(wrapper.findAll('tbody tr').length).toBeLessThan(75)
    expect(wrapper.find('table').attributes('aria-rowcount')).toBe('76')
    await waitFor(() => wrapper.findAll('tbody tr').length === 75)
    expect(wrapper.findAll('tbody tr')).toHaveLength(75)
    wrapper.unmount()
  })
})

describe('the order of rows', () => {
  it('is by number where both are numbers, by the alphabet else', () => {
    expect(ordered(rows, columns, { key: 'name', down: false }).map(({ id }) => id)).toEqual(['b', 'c', 'a'])
    expect(ordered(rows, columns, { key: 'kw', down: true }).map(({ id }) => id)).toEqual(['b', 'a', 'c'])
  })
  it('stays as it came where nobody asked, or nothing is known to order by', () => {
    expect(ordered(rows, columns, undefined)).toBe(rows)
    expect(ordered(rows, columns, { key: 'doings', down: true })).toBe(rows)
  })
})

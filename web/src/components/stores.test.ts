/** @jest-environment jsdom */
import '../tests/browserParts.ts'
import { builtInVan, usualStandKg, type Equipment } from '@yastik/core/products'
import { mountOnPage, somebody } from '../tests/mounting.ts'
import Pick from '../kit/Pick.vue'
import EquipmentTable from './EquipmentTable.vue'
import QuoteOutcome from './QuoteOutcome.vue'

const bucket: Equipment = { id: 'bucket-1', kind: 'bucket', count: 1, litres: 15 }

describe('the equipment in the van', () => {
  const table = (equipment: readonly Equipment[], mayEdit = true) => mountOnPage(EquipmentTable, { equipment, mayEdit }, {}, somebody())
  it('takes a stand with what a common one carries, so that none is without a limit', async () => {
    const wrapper = table([bucket])
    wrapper.findComponent(Pick).vm.$emit('update:modelValue', 'stand')
    await wrapper.find('[data-add-equipment]').trigger('click')
    expect(wrapper.emitted('save')).toEqual([[[bucket, { id: 'stand-1', kind: 'stand', count: 1, limitKg: usualStandKg.value }]]])
  })
  it('gives the second of a kind an id of its own, and other kinds no limit', async () => {
    const wrapper = table([bucket])
    wrapper.findComponent(Pick).vm.$emit('update:modelValue', 'bucket')
    await wrapper.find('[data-add-equipment]').trigger('click')
    expect(wrapper.emitted('save')).toEqual([[[bucket, { id: 'bucket-2', kind: 'bucket', count: 1 }]]])
  })
  it('shows what a stand carries, to be changed by the owner alone', () => {
    const stand = builtInVan.filter(({ kind }) => kind === 'stand')
    expect(table(stand).find('[name="limitKg-stand-1"]').exists()).toBe(true)
    const read = table(stand, false)
    expect(read.find('[name="limitKg-stand-1"]').exists()).toBe(false)
    expect(read.find('[data-kind="stand"]').text()).toContain(String(usualStandKg.value))
  })
})

describe('what came of a quote', () => {
  it('tells waiting beside hands: it cost the firm, whoever paid for it', () => {
    const outcome = {
      plannedMin: 60,
      realMin: 70,
      plannedWaitMin: 5,
      realWaitMin: 25,
      measuredShare: 1,
      plannedProduct: 3,
      realProduct: 4,
      total: 120,
      plannedMargin: 80,
      realMargin: 60,
      done: 1,
      units: 1,
    }
    const rows = mountOnPage(QuoteOutcome, { outcome }, {}, somebody())
      .findAll('tbody tr')
      .map((row) => row.text())
    expect(rows.find((row) => row.includes('Waiting on site'))).toMatch(/5 min.*25 min.*\+20 min/)
  })
})

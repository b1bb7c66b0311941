// How long does a large table take, from its text to the receipt? Read with the code of the page's worker, written by the server.
import papa from 'papaparse'

const usualRows = 50_000
const headings = 'site,address,setting,waterOnSite,foulDrainOnSite,unit,family,ratedCoolingKw'

/**
 * @param {string} base address of a running server
 * @param {string} cookie session of somebody who may import
 * @param {(name: string, value: number, unit: string, budget: number) => void} print
 */
export async function measureImport(base, cookie, print, small) {
  const rowCount = small ? 200 : usualRows
  const { guessColumn, readSiteTable } = await import('@yastik/core/wire')
  const lines = Array.from({ length: rowCount }, (_, row) => `Row ${row},Lane ${row},home,yes,no,Loft,wall-head,3.5`)
  const text = [headings, ...lines].join('\n')
  const startedMs = performance.now()
  const [names, ...rows] = papa.parse(text).data
  const { sites, faults } = readSiteTable(rows, names.map(guessColumn))
  if (faults.length > 0) throw new Error(`the table that was made up does not hold up: ${JSON.stringify(faults[0])}`)
  const readMs = performance.now() - startedMs
  const answer = await fetch(`${base}/api/imports/sites`, {
    method: 'POST',
    headers: { cookie, origin: base, 'content-type': 'application/json' },
    body: JSON.stringify({ sites }),
  })
  const { receipt, fault } = JSON.parse((await answer.text()).trim().split('\n').at(-1))
  if (receipt?.units !== rowCount) throw new Error(`the import was turned down: ${JSON.stringify(fault)}`)
  const wholeMs = performance.now() - startedMs
  print('import of 50,000 rows: reading the table', readMs, 'ms', 6000)
  print('import of 50,000 rows: table to receipt', wholeMs, 'ms', 6000)
}

import { mostSteps, netOf } from './keptNet.ts'

it('is kept in two digits a weight: as many steps either way as they hold, times the step of the channel', () => {
  const kept = { size: 1, into: 2, out: 2, steps: [0.5, 0.001], bias: [1, -2], weights: '00hzi0zy' } as const
  const { fine } = netOf({ fine: kept, half: kept, block: kept, whole: kept, dilated: [], wholeAgain: kept, out: kept })
  expect([...fine.weights].map((value) => Math.round(value * 1000) / 1000)).toEqual([-mostSteps * 0.5, 0, 0.5, mostSteps * 0.001])
  expect([...fine.bias]).toEqual([1, -2])
})

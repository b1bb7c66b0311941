import type { WeatherSource } from './weather/source.ts'
import { adapterOf, functionOf } from './modules.ts'

const weatherOf = (name?: string) => adapterOf<WeatherSource>('YASTIK_WEATHER', name, ['forecast', 'climate'])

describe('what the environment names', () => {
  it('fills an interface, or is a function', async () => {
    expect(await (await weatherOf('@yastik/stand-ins/weather'))?.climate({ id: 'x' })).toHaveLength(12)
    expect(await functionOf('YASTIK_DEMO', '@yastik/stand-ins/demo')).toBeInstanceOf(Function)
  })
  it('may be nothing', async () => {
    expect(await weatherOf()).toBeUndefined()
    expect(await functionOf('YASTIK_DEMO', undefined)).toBeUndefined()
  })
  it.each([
    ['@yastik/stand-ins/nowhere', 'cannot be loaded'],
    ['@yastik/stand-ins/messages', 'lacks one of: forecast, climate'],
    ['@yastik/stand-ins/demo', 'lacks one of: forecast, climate'],
  ])('%s keeps the server from starting', async (name, sentence) => {
    await expect(weatherOf(name)).rejects.toThrow(`YASTIK_WEATHER names ${name}`)
    await expect(weatherOf(name)).rejects.toThrow(sentence)
  })
  it('is no function where a demo is asked for', async () => {
    await expect(functionOf('YASTIK_DEMO', '@yastik/stand-ins/weather')).rejects.toThrow('is no function')
  })
})

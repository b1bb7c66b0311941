import { coilAreaM2, componentsOf, electricLoad, families, knownDesign, partsOf, stripOrder, traitsOf, type Design, type Family } from './index.ts'
import { graphs } from './partGraph.ts'
import { wallHeadComponents } from './graphs/wallHead.ts'
import { told } from '../tests/inEnglish.ts'

const everything = told(
  knownDesign('wall-head', {
    wheelRemovable: true,
    coilLiftable: true,
    panRemovable: true,
    boardRemovable: true,
    roomSensor: true,
    fineFilter: true,
    coverScrews: 3,
  }),
).design

describe.each(families)('the part graph of a %s', (family) => {
  const components = graphs[family]
  const ids = components.map(({ id }) => id)

  it('names only components that exist, outermost first, so it has no circle', () => {
    components.forEach(({ id, behind }, index) => {
      for (const front of behind) expect({ id, front, before: ids.indexOf(front) >= 0 && ids.indexOf(front) < index }).toMatchObject({ before: true })
    })
    expect(new Set(ids).size).toBe(ids.length)
  })
  it('takes out only parts that the family has, each by one component', () => {
    const taken = components.flatMap(({ part }) => part ?? [])
    for (const part of taken) expect(partsOf[family]).toContain(part)
    expect(new Set(taken).size).toBe(taken.length)
  })
  it('photographs every sensor, plug and wire before it moves, and has a gate for its seat', () => {
    const marked = components.filter((component) => /sensor|thermistor|probe|plug|wire/.test(`${component.name} ${told(component.takeOff)}`))
    expect(marked.length).toBeGreaterThan(0)
    for (const { id, photo, seatGate, first } of marked)
      expect({ id, photographed: Boolean(photo) || first === true, gated: Boolean(seatGate) }).toEqual({ id, photographed: true, gated: true })
  })
  it('asks for training where a mistake is dear', () => {
    const skillOf = (id: string) => components.find((component) => component.id === id)?.skill
    expect([skillOf('wheel'), skillOf('board-box')]).toEqual(['wheel-removal', 'electrics'])
  })
  it('closes with something that every design has, however it is opened', () => {
    const plain = componentsOf(family, told(knownDesign(family, { removable: false })).design)
    expect(plain.some(({ closes }) => closes)).toBe(true)
    expect(plain.map(({ id }) => id)).toContain('filters')
  })
})

describe('what holds what', () => {
  const order = (family: Family, design: Design, ...wanted: string[]) =>
    stripOrder(componentsOf(family, told(knownDesign(family, design)).design), wanted, ['board-box']).map(({ id }) => id)
  it('takes a cassette down by grille, panel and bell mouth to the wheel on its nut', () => {
    expect(order('ceiling-cassette', { wheelRemovable: true }, 'wheel')).toEqual(['filters', 'grille', 'cover', 'bell-mouth', 'wheel'])
    const wheel = graphs['ceiling-cassette'].find(({ id }) => id === 'wheel')!
    expect(wheel.fasteners(everything).map(({ kind }) => kind)).toEqual(['centre nut', 'washer'])
    expect(wheel.setScrew).toBeUndefined()
    expect(told(wheel.seatGate)).toMatch(/flat/)
  })
  it('labels as many louvre plugs as a cassette has outlets, and the display', () => {
    const panel = graphs['ceiling-cassette'].find(({ id }) => id === 'cover')!
    expect(panel.fasteners({ ...everything, ways: 2 })).toContainEqual({ kind: 'labelled plug', count: 3 })
  })
  it('carries a window unit out before its cabinet opens, and cuts the tape of the air guide before the wheel', () => {
    expect(order('window', { removable: true, wheelRemovable: true }, 'wheel')).toEqual([
      'filters',
      'front',
      'chassis',
      'cover',
      'air-guide',
      'wheel',
    ])
    expect(order('window', { removable: false, wheelRemovable: true }, 'wheel')).toEqual([])
  })
  it('parts the supply of a hard-wired sleeve unit before it slides out', () =>
    expect(order('through-wall', { removable: true, hardWired: true }, 'chassis')).toEqual(['filters', 'front', 'supply', 'chassis']))
  it('draws the ice probe of a roof unit before the wheel, and sends it back last', () => {
    expect(order('rv-rooftop', { wheelRemovable: true }, 'wheel')).toEqual(['shroud', 'cover', 'ice-probe', 'wheel'])
    expect(graphs['rv-rooftop'].filter(({ last }) => last).map(({ id }) => id)).toEqual(['ice-probe'])
  })
})

describe('stripping', () => {
  it('takes off whatever sits in front, and nothing else', () => {
    const order = stripOrder(componentsOf('wall-head', everything), ['wheel'], ['board-box']).map(({ id }) => id)
    expect(order.indexOf('cover')).toBeLessThan(order.indexOf('pan'))
    expect(order.indexOf('pan')).toBeLessThan(order.indexOf('end-plate'))
    expect(order.at(-1)).toBe('wheel')
    expect(order).not.toContain('board-box')
    expect(new Set(order).size).toBe(order.length)
  })
  it('leaves the cover on for the filters', () => {
    expect(stripOrder(componentsOf('wall-head', everything), ['filters']).map(({ id }) => id)).toEqual(['filters'])
  })
  it('knows only what the design has', () => {
    const plain = told(knownDesign('wall-head', { panRemovable: false, wheelRemovable: false })).design
    const ids = componentsOf('wall-head', plain).map(({ id }) => id)
    for (const absent of ['pan', 'drain-hose', 'wheel', 'end-plate', 'board-box', 'room-sensor', 'fine-filter']) expect(ids).not.toContain(absent)
  })
  it('counts cover screws and their caps as the design has them', () => {
    const cover = wallHeadComponents.find(({ id }) => id === 'cover')!
    expect(cover.fasteners({ ...everything, coverScrews: 2 })).toEqual([
      { kind: 'cover screw', count: 2 },
      { kind: 'screw cap', count: 2 },
    ])
    expect(cover.fasteners({ ...everything, coverScrews: 0 })).toEqual([])
  })
})

describe('unknown traits', () => {
  it('get the cautious default, and each is said', () => {
    const { design, assumed } = told(knownDesign('wall-head', {}))
    expect(design).toMatchObject({
      wheelRemovable: false,
      panRemovable: false,
      finCoating: 'epoxy',
      refrigerantSafety: 'A3',
      below: 'electronics',
      coverScrews: 3,
    })
    for (const word of ['rated cooling', 'height', 'below', 'coating', 'refrigerant', 'cover screws', 'wheel', 'pan']) {
      expect(assumed.join('\n')).toContain(word)
    }
  })
  it('say nothing about what is known', () => {
    const { assumed } = told(
      knownDesign('wall-head', {
        ...Object.fromEntries(traitsOf['wall-head'].map((trait) => [trait, everything[trait]])),
        ratedCoolingKw: 5,
        aboveFloorM: 2,
        below: 'clear',
        finCoating: 'none',
        refrigerantSafety: 'A1',
      }),
    )
    expect(assumed).toEqual([])
  })
  it('take a coil as liftable where the wheel is known to come out, and say so', () => {
    const { design, assumed } = told(knownDesign('wall-head', { wheelRemovable: true }))
    expect(design.coilLiftable).toBe(true)
    expect(assumed.join()).toContain('assumed that it may, a finger wide')
    expect(told(knownDesign('wall-head', { wheelRemovable: true, coilLiftable: false })).design.coilLiftable).toBe(false)
  })
  it('take airflow and power from the rated cooling', () => {
    expect(told(knownDesign('wall-head', { ratedCoolingKw: 4 })).design).toMatchObject({ ratedAirflowM3h: 660, ratedPowerW: 1200 })
  })
})

describe('traits of another family', () => {
  it('are set aside, and it is said which', () => {
    const { design, assumed } = told(knownDesign('wall-head', { weightKg: 50, ways: 2 }))
    expect(design.weightKg).not.toBe(50)
    expect(assumed.join('\n')).toContain('design.weightKg: 50 is noted, but a wall head has no such trait: ignored')
  })
  it.each(families)('have no default that is said for a %s', (family) => {
    const assumed = told(knownDesign(family, {})).assumed
    expect(assumed.length).toBeGreaterThan(4)
    if (family !== 'rv-rooftop') expect(assumed.join()).not.toMatch(/battery|probe/)
    if (family !== 'window' && family !== 'through-wall') expect(assumed.join()).not.toMatch(/weight|storey/)
  })
})

describe('coil area', () => {
  it('is width times slants where they were measured', () => {
    expect(coilAreaM2({ ratedCoolingKw: 3.5, faceWidthMm: 700, faceSlantMm: [180, 120, 150] })).toBeCloseTo(0.315, 9)
  })
  it('is 0.06 m² a kW where they were not', () => expect(coilAreaM2({ ratedCoolingKw: 3.5 })).toBeCloseTo(0.21, 9))
})

describe('the electric load', () => {
  it('is a share of the breaker, at most four fifths for hours on end', () => {
    expect(electricLoad({ amps: 8, volts: 230, breakerAmps: 16 })).toMatchObject({ loadShare: 0.5, carries: true, dropV: 0 })
    expect(electricLoad({ amps: 12.8, volts: 230, breakerAmps: 16 }).carries).toBe(true)
    expect(electricLoad({ amps: 13, volts: 230, breakerAmps: 16 }).carries).toBe(false)
  })
  it('drops along a cord, there and back', () => {
    // By hand: 2 · 20 m · 0.0175 · 8 A / 1.5 mm² = 3.73 V, 1.6 %.
    const load = electricLoad({ amps: 8, volts: 230, breakerAmps: 16, cord: { mm2: 1.5, lengthM: 20 } })
    expect(load.dropV).toBeCloseTo(3.73, 2)
    expect(load).toMatchObject({ dropsTooMuch: false })
    expect(electricLoad({ amps: 12, volts: 120, breakerAmps: 15, cord: { mm2: 1.5, lengthM: 20 } }).dropsTooMuch).toBe(true)
  })
  it('needs figures above zero', () => expect(() => electricLoad({ amps: 0, volts: 230, breakerAmps: 16 })).toThrow('amps 0 is not above zero'))
})

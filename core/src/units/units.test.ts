import { coilAreaM2, componentsOf, knownDesign, partsOf, stripOrder } from './index.ts'
import { wallHeadComponents } from './wallHead.ts'

const everything = knownDesign('wall-head', {
  wheelRemovable: true,
  coilLiftable: true,
  panRemovable: true,
  boardRemovable: true,
  roomSensor: true,
  fineFilter: true,
  coverScrews: 3,
}).design

describe('the part graph of a wall head', () => {
  const ids = wallHeadComponents.map(({ id }) => id)

  it('names only components that exist, outermost first, so it has no circle', () => {
    wallHeadComponents.forEach(({ id, behind }, index) => {
      for (const front of behind) {
        expect(ids).toContain(front)
        // The end plate sits behind pan and cover although both are listed by where they are reached.
        expect({ id, front, before: ids.indexOf(front) < index }).toEqual({ id, front, before: true })
      }
    })
  })
  it('graded parts that come out are parts of the family', () => {
    for (const { part } of wallHeadComponents) if (part) expect(partsOf['wall-head']).toContain(part)
  })
  it('photographs every sensor, plug and louvre before it moves', () => {
    for (const id of ['louvres', 'room-sensor', 'coil-thermistor', 'board-box', 'wheel']) {
      expect(wallHeadComponents.find((component) => component.id === id)!.photo).toBeTruthy()
    }
  })
  it('asks for training where a mistake is dear', () => {
    const skills = Object.fromEntries(wallHeadComponents.map(({ id, skill }) => [id, skill]))
    expect(skills).toMatchObject({ wheel: 'wheel-removal', 'end-plate': 'wheel-removal', 'board-box': 'electrics', cover: undefined })
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
    const plain = knownDesign('wall-head', { panRemovable: false, wheelRemovable: false }).design
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
    const { design, assumed } = knownDesign('wall-head', {})
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
    const { assumed } = knownDesign('wall-head', {
      ...everything,
      ratedCoolingKw: 5,
      aboveFloorM: 2,
      below: 'clear',
      finCoating: 'none',
      refrigerantSafety: 'A1',
    })
    expect(assumed).toEqual([])
  })
  it('take a coil as liftable where the wheel is known to come out, and say so', () => {
    const { design, assumed } = knownDesign('wall-head', { wheelRemovable: true })
    expect(design.coilLiftable).toBe(true)
    expect(assumed.join()).toContain('taken as liftable by a finger')
    expect(knownDesign('wall-head', { wheelRemovable: true, coilLiftable: false }).design.coilLiftable).toBe(false)
  })
  it('take airflow and power from the rated cooling', () => {
    expect(knownDesign('wall-head', { ratedCoolingKw: 4 }).design).toMatchObject({ ratedAirflowM3h: 660, ratedPowerW: 1200 })
  })
})

describe('coil area', () => {
  it('is width times slants where they were measured', () => {
    expect(coilAreaM2({ ratedCoolingKw: 3.5, faceWidthMm: 700, faceSlantMm: [180, 120, 150] })).toBeCloseTo(0.315, 9)
  })
  it('is 0.06 m² a kW where they were not', () => expect(coilAreaM2({ ratedCoolingKw: 3.5 })).toBeCloseTo(0.21, 9))
})

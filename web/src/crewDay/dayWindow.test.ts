import { clockTicks, firstWindow, keptIn, leastMin, movedBy, wholeDay, zoomedBy } from './dayWindow.ts'

const end = 600
const window = { fromMin: 100, toMin: 200 }

describe('the window into the day', () => {
  it.each([
    [0.5, { fromMin: 150, toMin: 250 }],
    [-0.5, { fromMin: 50, toMin: 150 }],
    // Not past either end, and as long as before.
    [9, { fromMin: 500, toMin: 600 }],
    [-9, { fromMin: 0, toMin: 100 }],
  ])('moves by %p of itself', (share, moved) => expect(movedBy(window, share, end)).toEqual(moved))
  it('comes nearer to what is pointed at, and that stays where it is', () => {
    const near = zoomedBy(window, 2, end, 125)
    expect(near.toMin - near.fromMin).toBe(50)
    expect((125 - near.fromMin) / 50).toBeCloseTo(0.25)
    expect(zoomedBy(window, 2, end)).toEqual({ fromMin: 125, toMin: 175 })
  })
  it('goes no nearer than can be read, and no farther than the day', () => {
    const nearest = zoomedBy(window, 1000, end)
    expect(nearest.toMin - nearest.fromMin).toBeCloseTo(leastMin)
    expect(zoomedBy(window, 0.001, end)).toEqual(wholeDay(end))
    expect(zoomedBy({ fromMin: 0, toMin: 5 }, 2, 5)).toEqual({ fromMin: 0, toMin: 5 })
  })
  it('shows the whole day at first where its bars can be read, else its beginning', () => {
    expect(firstWindow(20, 2000, end)).toEqual(wholeDay(end))
    const { fromMin, toMin } = firstWindow(400, 2000, end)
    expect(fromMin).toBe(0)
    expect(toMin).toBeLessThan(end / 4)
    expect(firstWindow(0, 2000, end)).toEqual(wholeDay(end))
  })
  it('stays where it is when the day becomes another one', () => {
    expect(keptIn(window, end, 700)).toEqual(window)
    expect(keptIn(wholeDay(end), end, 700)).toEqual(wholeDay(700))
    expect(keptIn({ fromMin: 500, toMin: 600 }, end, 550)).toEqual({ fromMin: 450, toMin: 550 })
  })
  it('is ruled at round times of the clock', () => {
    expect(clockTicks({ fromMin: 0, toMin: 120 }, 8 * 60 + 7, 8)).toEqual([8 * 60 + 15, 8 * 60 + 30, 8 * 60 + 45, 540, 555, 570, 585, 600])
    expect(clockTicks({ fromMin: 10, toMin: 20 }, 480, 10)).toHaveLength(11)
    for (const length of [10, 35, 90, 400, 1300]) expect(clockTicks({ fromMin: 3, toMin: 3 + length }, 497, 8).length).toBeLessThanOrEqual(9)
  })
})

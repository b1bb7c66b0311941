import { inEnglish } from '../../tests/inEnglish.ts'
import { Fault } from '../../faults/index.ts'
import type { Region } from '../../lookover/index.ts'
import { seeded } from '../../quantities/index.ts'
import { judgedFrom, meanOf, measured, samplesOf, scenesOf, size, within } from '../../tests/readPhotos.ts'
import { sceneOf, wishOf, type Scene, type SceneWish } from '../../tests/scenes/index.ts'
import {
  correctedShare,
  dabbed,
  measurePhoto,
  pairNotes,
  proposedGrade,
  samplePhoto,
  surfaceOf,
  uprightOf,
  usualRegion,
  type Raster,
  type Sample,
  type SampleWish,
  type Surface,
} from './index.ts'

/** What is said of a photograph that is not read. */
function refusalOf(scene: Scene, surface: Surface): string {
  try {
    const { coveredShare } = measured(scene, surface)
    return `read: ${coveredShare.toFixed(2)}`
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    return inEnglish(error.lines[0].what)
  }
}

describe('straight fins', () => {
  it.each<[string, () => { truth: { straightShare: number; region: Region }; raster: Raster }[]]>([
    ['by the renderer of the samples', () => samplesOf('fins', 12)],
    // Where soil begins, its rim leans as it likes: much soil must not count as bent fins.
    ['by rays, under much soil', () => scenesOf('fins', 12, { coveredShare: 0.6, soiling: 'patches and strands' })],
    ['by rays, knocked in', () => scenesOf('fins', 12, { coveredShare: 0.2, soiling: 'patches', dents: 3 })],
  ])('are read to five points, nine times in ten: %s', (_, drawn) => {
    const errors = drawn().map((photo) => (measured(photo, 'fins').straightShare ?? NaN) - photo.truth.straightShare)
    expect(within(errors, 0.05)).toBeGreaterThanOrEqual(0.83)
    expect(within(errors, 0.1)).toBe(1)
  })
  it('lean by a few degrees of what they are read to', () => {
    const off = samplesOf('fins', 12).map((sample) => (measured(sample, 'fins').finDirectionDeg ?? NaN) - sample.truth.finDirectionDeg)
    expect(within(off, 4)).toBeGreaterThanOrEqual(0.9)
  })
})

describe('what stands in the way of a reading is said', () => {
  it.each<[string, Surface, Partial<SceneWish>, RegExp]>([
    ['fins too fine to tell apart', 'fins', { pitchPx: 3.6 }, /px apart/],
    ['a part on its side', 'fins', { quarterTurns: 1 }, /from side to side/],
    ['a wheel on its side', 'blades', { quarterTurns: 1 }, /from top to bottom/],
  ])('%s', (_, surface, fixed, says) => {
    for (const scene of scenesOf(surface, 3, { soiling: 'patches', coveredShare: 0.2, light: 'even', camera: 'plain', wet: false, ...fixed }))
      expect(refusalOf(scene, surface)).toMatch(says)
  })
  it.each<[string, Surface, Partial<SceneWish>]>([
    ['a hand that shook', 'fins', { camera: 'shaken', soiling: 'patches', coveredShare: 0.3 }],
    ['a hand before the part', 'fins', { obstacle: 'hand', soiling: 'patches', coveredShare: 0.2, light: 'even' }],
  ])('%s: what is told is never far from the truth, or nothing is told', (_, surface, fixed) => {
    const off = scenesOf(surface, 6, fixed).flatMap((scene) => {
      try {
        const { low, high } = measured(scene, surface)
        return Math.max(0, low - scene.truth.coveredShare, scene.truth.coveredShare - high)
      } catch (error) {
        if (!(error instanceof Fault)) throw error
        return []
      }
    })
    for (const beside of off) expect(beside).toBeLessThan(0.15)
  })
  it.each<Surface>(['fins', 'blades'])('something smooth before %s is said, and the band reaches down by it', (surface) => {
    const notesOf = (scene: Scene) =>
      measured(scene, surface)
        .notes.map(inEnglish)
        .filter((note) => note.includes('a hand, a tool'))
    const fixed: Partial<SceneWish> = { soiling: 'patches', coveredShare: 0.1, light: 'even', camera: 'plain', wet: false }
    const said = scenesOf(surface, 4, { ...fixed, obstacle: 'hand' }).filter((scene) => notesOf(scene).length > 0)
    expect(said.length).toBeGreaterThanOrEqual(3)
    for (const scene of said) {
      const { coveredShare, low, high } = measured(scene, surface)
      expect(coveredShare - low).toBeGreaterThanOrEqual(Math.min(coveredShare, high - coveredShare))
    }
    expect(scenesOf(surface, 4, fixed).flatMap(notesOf)).toEqual([])
  })
  it.each<Surface>(['fins', 'blades'])('how much is done is told while %s are read, and only ever rises', (surface) => {
    const [{ raster, truth }] = scenesOf(surface, 1, { soiling: 'patches', coveredShare: 0.2, light: 'even', camera: 'plain', wet: false })
    const told: number[] = []
    measurePhoto(raster, truth.region, surface, (share) => told.push(share))
    expect(told.length).toBeGreaterThanOrEqual(3)
    expect(told.every((share, at) => share > (told[at - 1] ?? 0) && share <= 1)).toBe(true)
  })
  it('upside down is read as upright', () => {
    const wish = wishOf(judgedFrom + 40, 'fins', { ...size, light: 'even', camera: 'plain' })
    const [upright, over] = ([0, 2] as const).map((quarterTurns) => measured(sceneOf({ ...wish, quarterTurns }), 'fins').coveredShare)
    expect(Math.abs(upright - over)).toBeLessThan(0.03)
  })
})

describe('a correction by hand', () => {
  const map = { columns: 4, rows: 2, covered: Float32Array.from([0.9, 0.8, 0.1, 0, 0.9, 0.7, 0, 0]) }
  const read = { coveredShare: 0.45, map }
  it('moves the share by what was painted, and by nothing else', () => {
    expect(correctedShare(read, map)).toBeCloseTo(0.45, 6)
    const rubbed = dabbed(map, 0.125, 0.25, 0.6, false)
    expect([...rubbed.covered]).toEqual([...Float32Array.from([0, 0.8, 0.1, 0, 0.9, 0.7, 0, 0])])
    expect(correctedShare(read, rubbed)).toBeCloseTo(0.45 - 0.9 / 8, 6)
    expect(correctedShare(read, dabbed(map, 0.5, 0.5, 9, true))).toBeCloseTo(1, 1)
  })
  it('leaves what was read as it was', () => {
    dabbed(map, 0.5, 0.5, 9, true)
    expect(map.covered[3]).toBe(0)
  })
})

describe('a pair that is compared', () => {
  const shown = { plates: 62, pitchPx: 12 }
  it('goes together where both show the same plates from about as near', () => {
    expect(pairNotes(shown, { plates: 63.4, pitchPx: 9 }, 'fins')).toEqual([])
  })
  it('is not the same piece with more plates between the corners', () => {
    expect(pairNotes(shown, { plates: 48, pitchPx: 12 }, 'fins').map(inEnglish)).toEqual([expect.stringMatching(/62 fins before and 48 now/)])
  })
  it.each([
    [5, 'now'],
    [30, 'before'],
  ])('says which one was taken from farther away: %s px', (pitchPx, which) => {
    expect(pairNotes(shown, { plates: 62, pitchPx }, 'blades').map(inEnglish)).toEqual([
      expect.stringMatching(`photo ${which} was taken from farther away`),
    ])
  })
})

describe('light, camera and part', () => {
  const wish: SampleWish = { seed: 77, surface: 'fins', ...size, coveredShare: 0.4, kind: 'dust', bentShare: 0.05 }
  const changed = (sample: Sample, pixel: (value: number, channel: number) => number): Sample => ({
    ...sample,
    raster: { ...sample.raster, data: Uint8ClampedArray.from(sample.raster.data, (value, at) => (at % 4 === 3 ? value : pixel(value, at % 4))) },
  })
  it('same wish, same pixels', () => {
    const bytesOf = (own: SampleWish) => Buffer.from(samplePhoto(own).raster.data)
    expect(bytesOf(wish).equals(bytesOf(wish))).toBe(true)
    expect(bytesOf(wish).equals(bytesOf({ ...wish, seed: 78 }))).toBe(false)
  })
  it('does not mind a warm lamp or a dark exposure', () => {
    const sample = samplePhoto(wish)
    const plain = measured(sample, 'fins').coveredShare
    expect(
      measured(
        changed(sample, (value, channel) => value * [1, 0.85, 0.6][channel]),
        'fins',
      ).coveredShare,
    ).toBeCloseTo(plain, 1)
    expect(
      measured(
        changed(sample, (value) => value * 0.55),
        'fins',
      ).coveredShare,
    ).toBeCloseTo(plain, 1)
  })
  it('two cameras agree on one part, and their pictures lie over each other', () => {
    const [one, other] = [samplePhoto(wish), samplePhoto({ ...wish, shot: 1 })]
    expect(one.truth.region).not.toEqual(other.truth.region)
    const [first, second] = [measured(one, 'fins'), measured(other, 'fins')]
    expect(Math.abs(first.coveredShare - second.coveredShare)).toBeLessThan(0.05)
    const agrees = meanOf([...first.map.covered].map((value, at) => (Math.abs(value - second.map.covered[at]) < 0.5 ? 1 : 0)))
    expect(agrees).toBeGreaterThan(0.93)
  })
  it('draws the part upright: corners of the region are corners of the picture', () => {
    const { raster, truth } = samplePhoto(wish)
    const upright = uprightOf(raster, truth.region, 200, 150)
    expect(upright.data).toHaveLength(200 * 150 * 4)
    const brightnessAt = (picture: Raster, x: number, y: number) => picture.data[(Math.floor(y) * picture.width + Math.floor(x)) * 4 + 1]
    const corner = truth.region[2]
    const own = brightnessAt(raster, corner.x * raster.width - 2, corner.y * raster.height - 2)
    expect(Math.abs(brightnessAt(upright, 199, 149) - own)).toBeLessThan(80)
  })
})

describe('photographs that cannot be read', () => {
  const flat = (value: (x: number, y: number) => number): Raster => {
    const data = new Uint8ClampedArray(400 * 300 * 4).fill(255)
    for (let pixel = 0; pixel < 400 * 300; pixel++) data.fill(value(pixel % 400, Math.floor(pixel / 400)), pixel * 4, pixel * 4 + 3)
    return { width: 400, height: 300, data }
  }
  const random = seeded(5)
  it.each<[string, Raster]>([
    ['a white wall', flat(() => 244)],
    ['the inside of a pocket', flat(() => 0)],
    ['noise', flat(() => random() * 255)],
    ['a slow gradient', flat((x) => x / 2)],
  ])('say so, and give no figure: %s', (_, raster) => {
    for (const surface of ['fins', 'blades'] as const)
      expect(() => measurePhoto(raster, usualRegion, surface)).toThrow(expect.objectContaining({ code: 'photo-unclear' }) as Fault)
  })
  it.each<[string, number[][], RegExp]>([
    [
      'crossed',
      [
        [0.1, 0.1],
        [0.9, 0.9],
        [0.9, 0.1],
        [0.1, 0.9],
      ],
      /do not make a region/,
    ],
    [
      'turned over',
      [
        [0.1, 0.1],
        [0.1, 0.9],
        [0.9, 0.9],
        [0.9, 0.1],
      ],
      /do not make a region/,
    ],
    [
      'tiny',
      [
        [0.1, 0.1],
        [0.15, 0.1],
        [0.15, 0.15],
        [0.1, 0.15],
      ],
      /px across/,
    ],
  ])('say what is wrong with corners that are %s', (_, corners, says) => {
    const region = corners.map(([x, y]) => ({ x, y })) as typeof usualRegion
    try {
      measurePhoto(samplePhoto({ seed: 3, surface: 'fins', ...size, coveredShare: 0.2, kind: 'dust', bentShare: 0 }).raster, region, 'fins')
      throw new Error('it was read')
    } catch (error) {
      expect(inEnglish((error as Fault).lines[0].what)).toMatch(says)
    }
  })
})

describe('the grade that is proposed', () => {
  it.each([
    [0.005, 0],
    [0.06, 1],
    [0.2, 2],
    [0.5, 3],
    [0.85, 4],
  ])('a covered share of %s is grade %s', (coveredShare, grade) => {
    const { grade: proposed, chances } = proposedGrade({ coveredShare, low: coveredShare - 0.003, high: coveredShare + 0.003 })
    expect(proposed).toBe(grade)
    expect(chances.reduce((sum, chance) => sum + chance, 0)).toBeCloseTo(1, 6)
  })
  it('is half and half on the border of two', () => {
    const { chances } = proposedGrade({ coveredShare: 0.35, low: 0.31, high: 0.39 })
    expect(chances[2]).toBeCloseTo(0.5, 3)
    expect(chances[3]).toBeCloseTo(0.5, 3)
  })
  it('names the other grade where it cannot tell the two apart, and asks for the eye', () => {
    expect(proposedGrade({ coveredShare: 0.095, low: 0.06, high: 0.13 })).toMatchObject({ grade: 1, orElse: 2 })
    expect(proposedGrade({ coveredShare: 0.2, low: 0.17, high: 0.23 })).not.toHaveProperty('orElse')
  })
  it('is for parts with fins or blades', () => {
    expect([surfaceOf('coilFace'), surfaceOf('wheel'), surfaceOf('pan')]).toEqual(['fins', 'blades', undefined])
  })
})

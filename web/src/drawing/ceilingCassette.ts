// How is a ceiling cassette drawn? From the side, cut through the middle: ring coil, wheel on its upright shaft, pan below the coil.
import { finsAcross, tubesAlong, type Point, type SectionSheet, type Stroke } from './sheet.ts'

const middle = 330
/** The other half of a path of absolute points. */
const mirrored = (path: string): string =>
  path.replace(/(-?\d+(?:\.\d+)?),(-?\d+(?:\.\d+)?)/g, (_, x: string, y: string) => `${2 * middle - Number(x)},${y}`)
const both = (path: string): string => path + mirrored(path)
const other = ([x, y]: Point): Point => [2 * middle - x, y]

const fins = (a: Point, b: Point, c: Point, d: Point, count: number): Stroke[] => [
  ...finsAcross(a, b, c, d, count),
  ...finsAcross(other(a), other(b), other(c), other(d), count),
]
const blades: Stroke[] = [272, 282, 292, 368, 378, 388].map((x) => ({ path: `M${x},154L${x},246`, kind: 'thin', goesWith: 'wheel' }))

export const ceilingCassette: SectionSheet = {
  label: 'screen.lookover.section.ceiling-cassette',
  shapes: [
    {
      part: 'housing',
      path: 'M161,84L499,84L499,306L491,306L491,92L169,92L169,306L161,306Z',
      at: [495, 190],
      text: [560, 152],
      side: 'right',
    },
    {
      part: 'drainLine',
      path: 'M470,236L486,236L486,262L470,262ZM475,236L475,112Q475,104 483,104L546,104L546,112L486,112Q481,112 481,118L481,236Z',
      at: [522, 108],
      text: [560, 92],
      side: 'right',
    },
    {
      part: 'outlet',
      path: both('M128,312L186,312L202,350L146,350Z'),
      at: [494, 334],
      text: [560, 372],
      side: 'right',
    },
    {
      part: 'pan',
      path: both('M178,270L250,270L259,286L251,302L186,302L178,291Z'),
      at: [204, 292],
      text: [48, 300],
      side: 'left',
    },
    { part: 'coilBack', path: both('M192,130L211,130L211,262L192,262Z'), at: [200, 168], text: [48, 140], side: 'left' },
    { part: 'coilFace', path: both('M211,130L232,130L232,262L211,262Z'), at: [440, 216], text: [560, 224], side: 'right' },
    {
      part: 'wheel',
      path: both('M264,152L302,152L302,248L268,248Z'),
      hit: 'M264,142L396,142L392,250L268,250Z',
      at: [280, 206],
      text: [48, 220],
      side: 'left',
    },
    { part: 'filter', path: 'M258,322L402,322L402,331L258,331Z', at: [392, 327], text: [560, 298], side: 'right' },
  ],
  hatched: ['M60,16L700,16L700,38L60,38Z'],
  lines: ['M60,38L700,38', both('M178,38L178,84')],
  dashed: ['M60,312L128,312M532,312L700,312'],
  strokes: [
    ...fins([192, 130], [232, 130], [192, 262], [232, 262], 26),
    ...blades,
    { path: 'M264,152L268,142L392,142L396,152', kind: 'thick', goesWith: 'wheel' },
    { path: 'M300,92L300,130L360,130L360,92M330,130L330,238M322,234L338,234M326,240L334,240', kind: 'thin' },
    { path: both('M262,262Q266,282 290,292'), kind: 'thick' },
    { path: both('M202,350L256,350L256,340'), kind: 'thick' },
    { path: both('M160,320L186,346'), kind: 'bar', goesWith: 'outlet' },
    { path: 'M262,342L398,342M262,350L398,350', kind: 'thin' },
    { path: both('M186,294L248,294'), kind: 'water' },
  ],
  circles: [...tubesAlong([211, 130], [211, 262], 5), ...tubesAlong([449, 130], [449, 262], 5), [478, 249, 5]],
  caught: 'M112,356L306,436L306,458L354,458L354,436L548,356',
  words: [
    { at: [306, 116], says: 'screen.lookover.drawn.motor' },
    { at: [376, 80], says: 'screen.lookover.drawn.void-above-the-ceiling' },
  ],
  height: { from: [692, 318], to: [692, 458], text: [560, 450] },
}

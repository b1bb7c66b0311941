// How is a window unit drawn? From the side, room on the left: both coils, one motor with a shaft to either side, slinger and base pan.
import { bladesOf, disc, finsAcross, ring, tubesAlong, type SectionSheet } from './sheet.ts'

const wheelCentre = [262, 222] as const

export const windowUnit: SectionSheet = {
  label: 'screen.lookover.section.window',
  shapes: [
    {
      part: 'housing',
      path: 'M136,112L524,112L524,346L136,346L136,338L516,338L516,120L144,120L144,146L136,146Z',
      at: [490, 116],
      text: [560, 92],
      side: 'right',
    },
    { part: 'basePan', path: 'M322,318L510,318L504,336L328,336Z', at: [486, 328], text: [560, 340], side: 'right' },
    { part: 'drainLine', path: 'M222,314L326,324L326,332L222,322Z', at: [280, 324], text: [48, 420], side: 'left' },
    { part: 'pan', path: 'M164,306L222,306L218,324L168,324Z', at: [176, 317], text: [48, 364], side: 'left' },
    { part: 'outlet', path: 'M146,126L300,126L300,162Q250,146 214,164L146,152Z', at: [180, 140], text: [48, 92], side: 'left' },
    { part: 'coilFace', path: 'M168,168L187,168L187,302L168,302Z', at: [176, 224], text: [48, 200], side: 'left' },
    { part: 'coilBack', path: 'M187,168L206,168L206,302L187,302Z', at: [198, 262], text: [48, 254], side: 'left' },
    { part: 'filter', path: 'M148,162L156,162L156,306L148,306Z', at: [152, 186], text: [48, 146], side: 'left' },
    {
      part: 'rearFan',
      path: 'M416,150Q436,196 424,222Q412,250 430,298L420,298Q402,250 414,222Q426,196 406,150Z',
      at: [422, 180],
      text: [560, 154],
      side: 'right',
    },
    { part: 'condenserInside', path: 'M452,142L471,142L471,308L452,308Z', at: [462, 216], text: [560, 216], side: 'right' },
    { part: 'condenserFace', path: 'M471,142L490,142L490,308L471,308Z', at: [480, 276], text: [560, 278], side: 'right' },
    {
      part: 'wheel',
      path: ring(...wheelCentre, 46, 30),
      hit: disc(...wheelCentre, 46),
      at: [234, 256],
      text: [48, 310],
      side: 'left',
    },
  ],
  hatched: ['M306,16L336,16L336,108L306,108Z', 'M306,350L336,350L336,462L306,462Z'],
  lines: ['M306,16L306,108L336,108L336,16', 'M306,462L306,350L336,350L336,462', 'M336,350L440,350L440,364L336,392'],
  dashed: [],
  strokes: [
    ...finsAcross([168, 168], [206, 168], [168, 302], [206, 302], 30),
    ...finsAcross([452, 142], [490, 142], [452, 308], [490, 308], 36),
    ...bladesOf(wheelCentre, 30, 46, 22),
    { path: 'M336,202L396,202L396,242L336,242ZM269,222L336,222M396,222L418,222', kind: 'thin' },
    { path: 'M316,120L316,312', kind: 'thick' },
    { path: 'M408,296L438,296', kind: 'thick', goesWith: 'rearFan' },
    { path: 'M150,130L150,150M160,129L160,152M170,128L170,154', kind: 'thick', goesWith: 'outlet' },
    { path: 'M140,168L140,300', kind: 'thick' },
    { path: 'M334,328L500,328', kind: 'water' },
    { path: 'M352,312L352,276Q352,262 366,262L382,262Q396,262 396,276L396,312Z', kind: 'thin' },
  ],
  circles: [...tubesAlong([187, 168], [187, 302], 6, 4), ...tubesAlong([471, 142], [471, 308], 7, 4), [...wheelCentre, 5], [418, 222, 4]],
  words: [
    { at: [346, 226], says: 'screen.lookover.drawn.motor' },
    { at: [354, 296], says: 'screen.lookover.drawn.comp' },
    { at: [403, 312], says: 'screen.lookover.drawn.slinger' },
    { at: [232, 440], says: 'screen.lookover.drawn.room' },
    { at: [352, 440], says: 'screen.lookover.drawn.outdoors' },
    { at: [344, 40], says: 'screen.lookover.drawn.sash-above' },
  ],
}

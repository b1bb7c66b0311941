// How is a roof unit drawn? Along the vehicle: shroud, evaporator box over its opening, one motor, condenser at the rear.
import { bladesOf, disc, finsAcross, ring, tubesAlong, type SectionSheet } from './sheet.ts'

const wheelCentre = [282, 244] as const

export const rvRooftop: SectionSheet = {
  label: 'screen.lookover.section.rv-rooftop',
  shapes: [
    {
      part: 'housing',
      path: 'M128,326Q128,168 206,142L456,122Q526,124 534,326L526,326Q518,132 456,130L208,150Q138,174 136,326Z',
      at: [360, 134],
      text: [560, 92],
      side: 'right',
    },
    { part: 'basePan', path: 'M352,312L514,312L510,326L356,326Z', at: [486, 320], text: [560, 308], side: 'right' },
    { part: 'drainLine', path: 'M152,314L166,308L170,316L128,344L112,344L112,338L126,336Z', at: [132, 332], text: [48, 360], side: 'left' },
    { part: 'pan', path: 'M168,306L232,306L228,320L172,320Z', at: [184, 314], text: [48, 306], side: 'left' },
    { part: 'outlet', path: 'M308,388L384,388L394,406L298,406Z', at: [366, 398], text: [560, 432], side: 'right' },
    { part: 'coilFace', path: 'M178,198L196,198L196,302L178,302Z', at: [186, 226], text: [48, 152], side: 'left' },
    { part: 'coilBack', path: 'M196,198L215,198L215,302L196,302Z', at: [206, 270], text: [48, 204], side: 'left' },
    { part: 'filter', path: 'M190,392L266,392L266,401L190,401Z', at: [206, 397], text: [48, 420], side: 'left' },
    {
      part: 'rearFan',
      path: 'M432,178Q452,220 440,246Q428,272 446,304L436,304Q418,272 430,246Q442,220 422,178Z',
      at: [438, 206],
      text: [560, 144],
      side: 'right',
    },
    { part: 'condenserInside', path: 'M466,170L484,170L484,308L466,308Z', at: [474, 220], text: [560, 198], side: 'right' },
    { part: 'condenserFace', path: 'M484,170L502,170L502,308L484,308Z', at: [494, 264], text: [560, 252], side: 'right' },
    {
      part: 'wheel',
      path: ring(...wheelCentre, 42, 28),
      hit: disc(...wheelCentre, 42),
      at: [252, 272],
      text: [48, 256],
      side: 'left',
    },
  ],
  hatched: ['M84,330L178,330L178,350L84,350Z', 'M386,330L700,330L700,350L386,350Z'],
  lines: [
    'M84,330L178,330L178,350L84,350',
    'M700,330L386,330L386,350L700,350',
    'M84,388L190,388M266,388L308,388M384,388L700,388',
    'M178,350L178,388M386,350L386,388M286,330L286,388',
  ],
  dashed: [],
  strokes: [
    ...finsAcross([178, 198], [215, 198], [178, 302], [215, 302], 24),
    ...finsAcross([466, 170], [502, 170], [466, 308], [502, 308], 30),
    ...bladesOf(wheelCentre, 28, 42, 20),
    { path: 'M156,182L338,182L338,306', kind: 'thick' },
    { path: 'M352,226L404,226L404,264L352,264ZM288,244L352,244M404,246L434,246', kind: 'thin' },
    { path: 'M366,312L366,284Q366,272 378,272L396,272Q408,272 408,284L408,312Z', kind: 'thin' },
    { path: 'M204,232L222,232', kind: 'bar' },
    { path: 'M200,406L200,412M216,406L216,412M232,406L232,412M248,406L248,412', kind: 'thin' },
    { path: 'M318,388L328,406M338,388L348,406M358,388L368,406', kind: 'thick', goesWith: 'outlet' },
  ],
  circles: [...tubesAlong([196, 198], [196, 302], 5, 4), ...tubesAlong([484, 170], [484, 308], 6, 4), [...wheelCentre, 5], [436, 246, 4]],
  caught: 'M172,324L392,324L392,356L172,356Z',
  words: [
    { at: [361, 248], says: 'screen.lookover.drawn.motor' },
    { at: [369, 300], says: 'screen.lookover.drawn.comp' },
    { at: [206, 372], says: 'screen.lookover.drawn.return' },
    { at: [306, 372], says: 'screen.lookover.drawn.supply' },
    { at: [232, 176], says: 'screen.lookover.drawn.lid-of-the-evaporator-box' },
    { at: [424, 372], says: 'screen.lookover.drawn.roof-and-ceiling' },
  ],
}

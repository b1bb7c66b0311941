// How is a through-wall unit drawn? From the side, room on the left: chassis in its sleeve, both coils, heater, long wheel, slinger and base pan.
import { bladesOf, disc, finsAcross, ring, tubesAlong, type SectionSheet } from './sheet.ts'

const wheelCentre = [266, 232] as const

export const throughWall: SectionSheet = {
  label: 'screen.lookover.section.through-wall',
  shapes: [
    {
      part: 'housing',
      path: 'M128,372L128,196L172,150L296,150L296,158L176,158L136,199L136,364L150,364L150,372Z',
      at: [292, 154],
      text: [560, 92],
      side: 'right',
    },
    { part: 'basePan', path: 'M306,350L512,350L506,368L312,368Z', at: [486, 360], text: [560, 364], side: 'right' },
    { part: 'drainLine', path: 'M248,346L310,356L310,364L248,354Z', at: [282, 356], text: [48, 436], side: 'left' },
    { part: 'pan', path: 'M192,342L250,342L246,360L196,360Z', at: [204, 353], text: [48, 380], side: 'left' },
    { part: 'outlet', path: 'M180,160L292,160L292,180L166,180Z', at: [214, 168], text: [48, 100], side: 'left' },
    { part: 'coilFace', path: 'M160,204L178,204L210,338L192,338Z', at: [174, 236], text: [48, 212], side: 'left' },
    { part: 'coilBack', path: 'M178,204L197,204L229,338L210,338Z', at: [208, 282], text: [48, 268], side: 'left' },
    { part: 'filter', path: 'M142,206L150,206L170,338L162,338Z', at: [150, 240], text: [48, 156], side: 'left' },
    {
      part: 'rearFan',
      path: 'M410,182Q430,228 418,252Q406,280 424,330L414,330Q396,280 408,252Q420,228 400,182Z',
      at: [416, 212],
      text: [560, 166],
      side: 'right',
    },
    { part: 'condenserInside', path: 'M450,176L469,176L469,340L450,340Z', at: [460, 240], text: [560, 232], side: 'right' },
    { part: 'condenserFace', path: 'M469,176L488,176L488,340L469,340Z', at: [478, 300], text: [560, 298], side: 'right' },
    {
      part: 'wheel',
      path: ring(...wheelCentre, 40, 27),
      hit: disc(...wheelCentre, 40),
      at: [240, 262],
      text: [48, 324],
      side: 'left',
    },
  ],
  hatched: ['M304,16L396,16L396,138L304,138Z', 'M304,382L396,382L396,462L304,462Z'],
  lines: [
    'M296,138L520,138L520,146L296,146Z',
    'M296,374L520,374L520,382L296,382Z',
    'M304,16L304,138M396,16L396,138M304,382L304,462M396,382L396,462',
    'M84,462L304,462',
  ],
  dashed: [],
  strokes: [
    ...finsAcross([160, 204], [197, 204], [192, 338], [229, 338], 30),
    ...finsAcross([450, 176], [488, 176], [450, 340], [488, 340], 36),
    ...bladesOf(wheelCentre, 27, 40, 20),
    { path: 'M206,190L218,184L230,196L242,184L254,196L266,184L278,190', kind: 'thick' },
    { path: 'M338,214L392,214L392,252L338,252ZM272,232L338,232M392,252L412,252', kind: 'thin' },
    { path: 'M322,150L322,348', kind: 'thick' },
    { path: 'M402,330L430,330', kind: 'thick', goesWith: 'rearFan' },
    { path: 'M196,160L196,180M216,160L216,180M236,160L236,180M256,160L256,180M276,160L276,180', kind: 'thin', goesWith: 'outlet' },
    { path: 'M318,360L502,360', kind: 'water' },
    { path: 'M344,344L344,306Q344,292 358,292L374,292Q388,292 388,306L388,344Z', kind: 'thin' },
    { path: 'M504,382L504,404M512,382L512,404', kind: 'thin' },
  ],
  circles: [...tubesAlong([178, 204], [210, 338], 6, 4), ...tubesAlong([469, 176], [469, 340], 7, 4), [...wheelCentre, 5], [412, 252, 4]],
  words: [
    { at: [347, 237], says: 'screen.lookover.drawn.motor' },
    { at: [347, 328], says: 'screen.lookover.drawn.comp' },
    { at: [284, 196], says: 'screen.lookover.drawn.heater' },
    { at: [392, 345], says: 'screen.lookover.drawn.slinger' },
    { at: [438, 134], says: 'screen.lookover.drawn.sleeve' },
    { at: [176, 448], says: 'screen.lookover.drawn.room' },
    { at: [430, 448], says: 'screen.lookover.drawn.outdoors' },
  ],
}

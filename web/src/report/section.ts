// How is a section sheet drawn on paper? The same shapes as on the screen, with soil as lines of their own: paper knows no patterns.
import type { Grades } from '@yastik/core/lookover'
import type { Family, Part } from '@yastik/core/units'
import { hatchAngle, hatches } from '../drawing/hatches.ts'
import { sheetSize, type Stroke } from '../drawing/sheet.ts'
import { sheets } from '../drawing/sheets.ts'
import type { ReportWords } from '@yastik/core/report'

type Paper = PDFKit.PDFDocument

const ink = '#1b2a35'
const faint = '#a9aca6'
const widths: Record<Stroke['kind'], number> = { thin: 0.6, fin: 0.5, thick: 2.4, bar: 1.8, water: 0.8 }

/** Parallel lines that cover the sheet, turned by `degrees` about its middle. */
function hatch(paper: Paper, gap: number, width: number, degrees: number): void {
  const reach = Math.hypot(sheetSize.width, sheetSize.height) / 2
  paper
    .save()
    .translate(sheetSize.width / 2, sheetSize.height / 2)
    .rotate(degrees)
  for (let at = -reach; at <= reach; at += gap) paper.moveTo(at, -reach).lineTo(at, reach)
  paper.lineWidth(width).strokeColor(ink).stroke().restore()
}

/** Draws the section with its grades into a box of this width; returns the height it took, points. */
export function drawSection(paper: Paper, family: Family, grades: Grades, words: ReportWords, left: number, top: number, width: number): number {
  const sheet = sheets[family]
  const scale = width / sheetSize.width
  paper.save().translate(left, top).scale(scale)
  for (const path of [...sheet.hatched, ...sheet.lines]) paper.path(path).lineWidth(1).strokeColor(faint).stroke()
  for (const { part, path } of sheet.shapes) {
    const hatching = hatches.find(({ grade }) => grade === grades[part]?.grade)
    if (hatching) {
      paper.save().path(path).clip('even-odd')
      hatch(paper, hatching.gap, hatching.line, hatchAngle)
      if (hatching.cross > 0) hatch(paper, hatching.gap, hatching.cross, hatchAngle + 90)
      paper.restore()
    }
    // What nobody looked at is not drawn as clean.
    if (grades[part] === undefined) paper.path(path).lineWidth(1).dash(5, { space: 4 }).strokeColor(faint).stroke().undash()
    else paper.path(path).lineWidth(1.4).strokeColor(ink).stroke()
  }
  for (const { path, kind } of sheet.strokes) paper.path(path).lineWidth(widths[kind]).strokeColor(ink).stroke()
  for (const [x, y, radius] of sheet.circles) paper.circle(x, y, radius).lineWidth(0.8).strokeColor(ink).stroke()
  for (const { part, at, text, side } of sheet.shapes) {
    const grade = grades[part]?.grade
    const x = side === 'right' ? text[0] : text[0] - 44
    paper
      .moveTo(at[0], at[1])
      .lineTo(side === 'right' ? x - 6 : x + 60, text[1] - 6)
      .lineWidth(0.6)
      .strokeColor(ink)
      .stroke()
    paper
      .fillColor(ink)
      .font('body')
      .fontSize(20)
      .text(words.parts[part], x, text[1] - 28, { lineBreak: false })
    paper
      .font('strong')
      .fontSize(21)
      .text(grade === undefined ? words.labels['not-graded'] : words.grades[grade], x, text[1] - 6, { lineBreak: false })
  }
  paper.restore()
  return sheetSize.height * scale
}

/** The same in words, for those who do not see it. */
export const sectionInWords = (grades: Grades, words: ReportWords): string =>
  Object.entries(grades)
    .map(([part, { grade }]) => `${words.parts[part as Part]} ${words.grades[grade]}`)
    .join(', ') || words.labels['nothing-graded']

// How does the report become a PDF? Tagged, with title and language, its text selectable and its typefaces embedded.
import PDFDocument from 'pdfkit'
import { toBlob } from 'pdfkit/output'
import type { ReportContent } from '@yastik/core/report'
import { faceOf, runsOf, type Face } from './letters.ts'
import { drawSection, sectionInWords } from './section.ts'

export interface Fonts {
  readonly body: ArrayBuffer
  readonly strong: ArrayBuffer
  /** For letters that ours lacks. */
  readonly more: readonly { readonly name: string; readonly bytes: ArrayBuffer }[]
}
/** Pictures by the id of their photograph, as JPEG or PNG. */
export type Pictures = ReadonlyMap<string, ArrayBuffer>

type Paper = PDFKit.PDFDocument
type Struct = PDFKit.PDFStructureElement

const ink = '#1b2a35'
const soft = '#54636d'
const margin = 46
const gutter = 14

/** How a text is set. */
interface Setting {
  readonly size: number
  readonly strong?: boolean
  readonly colour?: string
  readonly width: number
  readonly lineGap?: number
}

/** The flow of a page: puts one thing below the other, each with its tag. */
class Flow {
  readonly paper: Paper
  readonly root: Struct
  readonly width: number
  /** Ours first, then those for letters that it lacks. */
  readonly faces: readonly Face[]

  constructor(paper: Paper, faces: readonly Face[]) {
    this.paper = paper
    this.faces = faces
    this.root = paper.struct('Document')
    paper.addStructure(this.root)
    this.width = paper.page.width - 2 * margin
  }

  /** Begins a new page where less than `height` is left. */
  need(height: number): void {
    if (this.paper.y + height > this.paper.page.height - margin) this.paper.addPage()
  }

  /** Sets a text, each letter in a typeface that has it, all on one base line. */
  put(text: string, left: number, top: number, { size, strong = false, colour = ink, ...options }: Setting): void {
    const { paper } = this
    const own = strong ? 'strong' : 'body'
    const runs = runsOf(text, this.faces)
    paper.font(own).fontSize(size).fillColor(colour)
    if (runs.every(({ face }) => face === 'body')) {
      paper.text(text, left, top, options)
      return
    }
    const baseline = -(this.faces[0].ascent * size)
    runs.forEach((run, index) => {
      paper.font(run.face === 'body' ? own : run.face)
      const how = { ...options, baseline, continued: index < runs.length - 1 }
      if (index === 0) paper.text(run.text, left, top, how)
      else paper.text(run.text, how)
    })
    paper.font(own)
  }

  /** How high a text gets in a column, points; where it is of several typefaces, its lines are counted by its width. */
  heightOf(text: string, width: number, size: number): number {
    const { paper } = this
    const runs = runsOf(text, this.faces)
    paper.font('strong').fontSize(size)
    if (runs.every(({ face }) => face === 'body')) return paper.heightOfString(text, { width })
    const sizes = runs.map(({ face, text: own }) => {
      paper.font(face === 'body' ? 'strong' : face)
      return { width: paper.widthOfString(own), height: paper.currentLineHeight(true) }
    })
    const lines = Math.ceil(sizes.reduce((sum, { width: own }) => sum + own, 0) / width)
    return lines * Math.max(...sizes.map(({ height }) => height))
  }

  text(tag: string, text: string, { size = 10.5, strong = false, colour = ink, after = 4, into = this.root } = {}): void {
    const { paper } = this
    into.add(
      paper.struct(tag, {}, () => {
        this.put(text, margin, paper.y, { size, strong, colour, width: this.width, lineGap: 1.5 })
      }),
    )
    paper.y += after
  }

  /** @param below so much of what follows stands on the same page, points */
  heading(text: string, below = 60): void {
    this.need(below)
    this.paper.y += 6
    this.text('H2', text, { size: 13, strong: true, after: 3 })
  }

  list(sentences: readonly string[]): void {
    const { paper } = this
    const list = paper.struct('L')
    this.root.add(list)
    for (const sentence of sentences) {
      this.need(30)
      const item = paper.struct('LI')
      list.add(item)
      const top = paper.y
      item.add(paper.struct('Lbl', {}, () => this.put('–', margin, top, { size: 10.5, width: 10 })))
      item.add(paper.struct('LBody', {}, () => this.put(sentence, margin + 12, top, { size: 10.5, width: this.width - 12, lineGap: 1.5 })))
      item.end()
      paper.y += 2
    }
    list.end()
    paper.y += 2
  }

  /** Columns by their shares of the width. */
  table(shares: readonly number[], rows: readonly (readonly string[])[], { headed = true } = {}): void {
    const { paper } = this
    const table = paper.struct('Table')
    this.root.add(table)
    rows.forEach((cells, index) => {
      const isHead = headed && index === 0
      const height = Math.max(...cells.map((cell, at) => this.heightOf(cell, shares[at] * this.width - 8, isHead ? 9 : 10.5)))
      // A head is never parted from what stands below it.
      this.need(isHead ? height + 60 : height + 8)
      const top = paper.y
      const row = paper.struct('TR')
      table.add(row)
      let left = margin
      cells.forEach((cell, at) => {
        const [x, width] = [left, shares[at] * this.width]
        row.add(
          paper.struct(isHead || at === 0 ? 'TH' : 'TD', {}, () => {
            this.put(cell, x, top, { size: isHead ? 9 : 10.5, strong: !isHead && at === 0, colour: isHead ? soft : ink, width: width - 8 })
          }),
        )
        left += width
      })
      row.end()
      paper.y = top + height + 3
      paper.markContent('Artifact')
      paper
        .moveTo(margin, paper.y)
        .lineTo(margin + this.width, paper.y)
        .lineWidth(isHead ? 0.9 : 0.4)
        .strokeColor(ink)
        .stroke()
      paper.endMarkedContent()
      paper.y += 3
    })
    table.end()
    paper.y += 4
  }

  /** Two things side by side, each with its words; `draw` returns the height it took. */
  pair(
    entries: readonly { readonly alt: string; readonly caption: string; readonly draw: (left: number, top: number, width: number) => number }[],
    height: number,
  ): void {
    const { paper } = this
    this.need(height + 20)
    const top = paper.y
    const width = (this.width - gutter) / 2
    const heights = entries.map(({ alt, caption, draw }, index) => {
      const left = margin + index * (width + gutter)
      let took = 0
      this.root.add(paper.struct('Caption', {}, () => this.put(caption, left, top, { size: 9, colour: soft, width })))
      this.root.add(paper.struct('Figure', { alt }, () => (took = draw(left, top + 13, width))))
      return took
    })
    paper.y = top + 13 + Math.max(...heights) + 8
  }
}

export async function reportPdf(content: ReportContent, fonts: Fonts, pictures: Pictures): Promise<Blob> {
  const { labels } = content.words
  const paper = new PDFDocument({
    size: content.paper,
    margin,
    lang: content.language,
    tagged: true,
    displayTitle: true,
    pdfVersion: '1.7',
    // None but our own, which are embedded.
    font: '',
    info: { Title: `${content.title}: ${content.unit}`, Author: content.firm },
  })
  paper.registerFont('body', fonts.body)
  paper.registerFont('strong', fonts.strong)
  const whole = toBlob(paper)
  for (const { name, bytes } of fonts.more) paper.registerFont(name, bytes)
  const faces = [faceOf('body', fonts.body), ...fonts.more.map(({ name, bytes }) => faceOf(name, bytes))]
  const flow = new Flow(paper, faces)
  flow.text('P', content.firm, { size: 10, colour: soft, after: 2 })
  flow.text('H1', `${content.title}: ${content.unit}`, { size: 21, strong: true, after: 6 })
  flow.table(
    [0.16, 0.84],
    content.facts.map(({ what, says }) => [what, says]),
    { headed: false },
  )
  flow.text('P', content.verdict.stamp, { size: 16, strong: true, after: 1 })
  flow.text('P', content.verdict.sentence, { after: 6 })
  drawings(flow, content)
  for (const section of content.sections) {
    flow.heading(section.heading)
    flow.list(section.sentences)
  }
  if (content.readings.length > 0) {
    flow.heading(labels.readings, 110)
    flow.table(
      [0.34, 0.2, 0.26, 0.2],
      [
        [labels.what, labels.before, labels.after, labels['clean-here']],
        ...content.readings.map(({ what, before, after, clean }) => [what, before, after, clean]),
      ],
    )
  }
  photographs(flow, content, pictures)
  signature(flow, content, pictures)
  flow.text('P', content.foot, { size: 9, colour: soft })
  flow.root.end()
  paper.end()
  return whole
}

function drawings(flow: Flow, { family, gradesBefore, gradesAfter, parts, words }: ReportContent): void {
  const { labels } = words
  if (parts.length === 0) return
  flow.heading(labels.section, 200)
  const entry = (caption: string, grades: ReportContent['gradesBefore']) => ({
    caption,
    alt: `${labels.section}, ${caption}: ${sectionInWords(grades, words)}`,
    draw: (left: number, top: number, width: number) => drawSection(flow.paper, family, grades, words, left, top, width),
  })
  flow.pair([entry(labels['as-found'], gradesBefore), entry(labels['after-work'], gradesAfter)], 160)
  flow.table(
    [0.4, 0.3, 0.3],
    [[labels.part, labels['as-found'], labels['after-work']], ...parts.map(({ part, before, after }) => [part, before, after])],
  )
}

/** In the middle of a line. */
const lower = (words: string) => `${words.charAt(0).toLowerCase()}${words.slice(1)}`

function photographs(flow: Flow, { photos, words: { labels } }: ReportContent, pictures: Pictures): void {
  const shown = photos.filter(({ before, after }) => [before, after].some((id) => id !== undefined && pictures.has(id)))
  if (shown.length === 0) return
  flow.heading(labels.photographs)
  const height = 150
  for (const { part, measured, before, after } of shown) {
    const entries = [
      { id: before, when: labels.before, what: '' },
      { id: after, when: labels.after, what: measured },
    ].flatMap(({ id, when, what }) => {
      const bytes = id === undefined ? undefined : pictures.get(id)
      if (!bytes) return []
      return [
        {
          caption: `${part}, ${lower(when)}${what}`,
          alt: `${labels.photographs}: ${part}, ${lower(when)}`,
          draw: (left: number, top: number, width: number) => {
            flow.paper.image(bytes, left, top, { fit: [width, height] })
            return height
          },
        },
      ]
    })
    flow.pair(entries, height)
  }
}

function signature(flow: Flow, { signed, words: { labels } }: ReportContent, pictures: Pictures): void {
  flow.heading(labels.signature)
  flow.need(70)
  const { paper } = flow
  const picture = signed && pictures.get(signed.photoId)
  if (picture) {
    const top = paper.y
    flow.root.add(paper.struct('Figure', { alt: labels.signed }, () => void paper.image(picture, margin, top, { fit: [200, 50] })))
    paper.y = top + 54
  } else paper.y += 34
  paper.markContent('Artifact')
  paper
    .moveTo(margin, paper.y)
    .lineTo(margin + 240, paper.y)
    .lineWidth(0.8)
    .strokeColor(ink)
    .stroke()
  paper.endMarkedContent()
  paper.y += 3
  flow.text('P', signed?.says ?? labels['customer-day'], { size: 9, colour: soft, after: 10 })
}

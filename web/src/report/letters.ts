// In which typeface does each letter of a text stand, and in which order are its pieces drawn?
import bidiFactory from 'bidi-js'
import { create } from 'fontkit'

const bidi = bidiFactory()

/** A typeface, by the letters that it has. */
export interface Face {
  readonly name: string
  /** How high it rises above the base line, of its size. */
  readonly ascent: number
  has(codePoint: number): boolean
}
/** @throws Error where these are no typeface */
export function faceOf(name: string, bytes: ArrayBuffer): Face {
  const font = create(new Uint8Array(bytes) as Buffer)
  if (!('hasGlyphForCodePoint' in font)) throw new Error(`${name} is a collection of typefaces, and not one`)
  return { name, ascent: font.ascent / font.unitsPerEm, has: (codePoint) => font.hasGlyphForCodePoint(codePoint) }
}

/** A piece of a text that is drawn in one go. */
export interface Run {
  readonly face: string
  readonly text: string
}

/** What takes the typeface of the letter before it: spaces, and marks that stand on it. */
const goesAlong = /^[\s\p{M}\u200c\u200d]$/u
const isRightToLeft = (level: number) => level % 2 === 1

interface Piece extends Run {
  readonly level: number
}

/** Pieces in the order of reading: of one typeface and one direction each; from right to left each word is one, and each space. */
function piecesOf(text: string, faces: readonly Face[]): Piece[] {
  const { levels } = bidi.getEmbeddingLevels(text, 'ltr')
  const [first] = faces
  const pieces: { face: string; text: string; level: number }[] = []
  let at = 0
  for (const letter of text) {
    const level = levels[at]
    at += letter.length
    const last = pieces.at(-1)
    const own = last && goesAlong.test(letter) ? last.face : (faces.find((face) => face.has(letter.codePointAt(0) ?? 0)) ?? first).name
    const isSpace = /\s/.test(letter)
    const breaks = isRightToLeft(level) && (isSpace || /\s$/.test(last?.text ?? ''))
    if (last && last.face === own && last.level === level && !breaks) last.text += letter
    else pieces.push({ face: own, text: letter, level })
  }
  return pieces
}

/** Reverses what runs from right to left, from the innermost out (rule L2 of the Unicode bidirectional algorithm, UAX 9). */
function inOrderOfDrawing(pieces: readonly Piece[]): readonly Piece[] {
  const ordered = [...pieces]
  const highest = Math.max(0, ...ordered.map(({ level }) => level))
  for (let level = highest; level > 0; level--)
    for (let from = 0; from < ordered.length; from++) {
      if (ordered[from].level < level) continue
      let to = from
      while (to < ordered.length && ordered[to].level >= level) to++
      ordered.splice(from, to - from, ...ordered.slice(from, to).reverse())
      from = to
    }
  return ordered
}

/**
 * The pieces of a text from left to right, each in the first typeface that has its letters; letters that none has stand in the first. Within a
 * piece letters are in the order of reading: who draws it turns it.
 */
export function runsOf(text: string, faces: readonly Face[]): Run[] {
  const runs: { face: string; text: string; stands: boolean }[] = []
  for (const { face, text: own, level } of inOrderOfDrawing(piecesOf(text, faces))) {
    // A word from right to left is turned by itself; all else goes on.
    const stands = isRightToLeft(level) && own.trim() !== ''
    const last = runs.at(-1)
    if (last && last.face === face && !stands && !last.stands) last.text += own
    else runs.push({ face, text: own, stands })
  }
  return runs.map(({ face, text: own }) => ({ face, text: own }))
}

/** Letters of these texts that a typeface lacks, each once. */
export const lettersBeyond = (texts: readonly string[], face: Face): string[] => [
  ...new Set(texts.flatMap((text) => [...text].filter((letter) => !goesAlong.test(letter) && !face.has(letter.codePointAt(0) ?? 0)))),
]

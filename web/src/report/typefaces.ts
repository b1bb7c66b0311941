// Which typefaces have the letters that ours lacks? Each is shipped in pieces, of which only what a report needs is fetched.

/** Addresses of all pieces in their regular weight, by file. */
const files = import.meta.glob<string>('../../../node_modules/@fontsource/noto-sans*/files/*-400-normal.woff', {
  query: '?url',
  import: 'default',
  eager: true,
})
/** Which letters stand in which piece, by typeface. */
const ranges = import.meta.glob<Record<string, string>>('../../../node_modules/@fontsource/noto-sans*/unicode.json', { import: 'default' })

const folderOf = (path: string) => path.replace(/^.*@fontsource\//, '').replace(/\/.*$/, '')
/** Those that Chinese and Japanese share look as they do where the text is from. */
const kana = /[\u3040-\u30ff]/
/** In the order in which they are asked. */
function orderFor(letters: readonly string[]): string[] {
  const all = Object.keys(ranges).map(folderOf)
  const last = [
    'noto-sans-kr',
    ...(letters.some((letter) => kana.test(letter)) ? ['noto-sans-jp', 'noto-sans-sc'] : ['noto-sans-sc', 'noto-sans-jp']),
  ]
  return [...all.filter((name) => !last.includes(name)).sort(), ...last]
}

/** @param range U+370-37F,U+384 */
const holds = (range: string, codePoint: number): boolean =>
  range.split(',').some((part) => {
    const [from, to = from] = part.trim().replace('U+', '').split('-')
    return codePoint >= Number.parseInt(from, 16) && codePoint <= Number.parseInt(to, 16)
  })

/** A piece of a typeface, as it lies on the server. */
export interface TypefacePart {
  readonly name: string
  readonly address: string
}

/** The pieces that have these letters, the first typeface that has each. */
export async function partsFor(letters: readonly string[]): Promise<TypefacePart[]> {
  const found = new Map<string, TypefacePart>()
  let left = letters.map((letter) => letter.codePointAt(0) ?? 0)
  for (const typeface of orderFor(letters)) {
    if (left.length === 0) break
    const path = Object.keys(ranges).find((own) => folderOf(own) === typeface)
    if (path === undefined) continue
    for (const [part, range] of Object.entries(await ranges[path]())) {
      const own = left.filter((codePoint) => holds(range, codePoint))
      if (own.length === 0) continue
      const file = Object.keys(files).find((name) => name.endsWith(`/${typeface}-${part.replace(/[[\]]/g, '')}-400-normal.woff`))
      if (file === undefined) continue
      found.set(file, { name: `${typeface}-${part}`, address: files[file] })
      left = left.filter((codePoint) => !own.includes(codePoint))
    }
  }
  return [...found.values()]
}

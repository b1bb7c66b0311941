// In which letters was a table written? UTF-8, with or without its mark; else the old Western European code page.

export interface Decoded {
  readonly text: string
  readonly encoding: 'utf-8' | 'utf-8-mark' | 'utf-16' | 'windows-1252'
}

/** Bytes of a table as text: UTF-8 where they hold up as such, for hardly any other text does by chance. */
export function decodeTable(bytes: Uint8Array): Decoded {
  const begins = (...mark: number[]) => mark.every((byte, at) => bytes[at] === byte)
  if (begins(0xff, 0xfe)) return { text: new TextDecoder('utf-16le').decode(bytes), encoding: 'utf-16' }
  if (begins(0xfe, 0xff)) return { text: new TextDecoder('utf-16be').decode(bytes), encoding: 'utf-16' }
  const encoding = begins(0xef, 0xbb, 0xbf) ? 'utf-8-mark' : 'utf-8'
  try {
    return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding }
  } catch (error) {
    if (!(error instanceof TypeError)) throw error
    return { text: new TextDecoder('windows-1252').decode(bytes), encoding: 'windows-1252' }
  }
}

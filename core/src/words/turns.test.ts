// Does every text speak as people speak? Turns that nobody says, and in Spanish words that would have to agree with whatever is put in.
import { readdirSync, readFileSync } from 'node:fs'
import { join } from 'node:path'
import { earlier } from './en/earlier.ts'
import { catalogue as english } from './en/index.ts'
import { catalogueOf, languages, type Key } from './index.ts'

const here = import.meta.dirname
const current = Object.entries(english.texts).filter(([key]) => !(key in earlier))

/** Riddles, inverted sentences and bookish words: what stands for it in the trade, or on any screen, is shorter. */
const turns: readonly RegExp[] = [
  /\b(is|are|was|were) (said|told)\b/,
  /\bso told\b|\bsaid so\b|\btold by\b/,
  /\bso many\b/,
  /\bhold(s|ing)? up\b/,
  /\bstands? (beside|alone|open to)\b/,
  /\bis there twice\b/,
  /\b(called|named) so\b/,
  /\banew\b/,
  /\bthe one you have\b/i,
  /\bway in\b|\blet (them |no more )?in\b|\blet in\b|\bgets in no more\b/i,
  /\bpart the\b|\bparted\b/i,
  /\bdrawn? (off|clear|from|up)\b|\bdraw the .* clear\b|\boffer .* up\b/i,
  /\b(one|nobody) reaches (it|what)\b|\bfar as one reaches\b/,
  /\bcarr(y|ies|ied) (soil|dirt|it|everything|that) off\b/,
  /\bcomes? along\b/,
  /\bwhat lies\b|\bwhat came\b(?! in and went out)/i,
  /\bbefore its wall\b/,
  /\bfalls? away\b/i,
  /\btake[ns]? in\b/i,
  /\btaken? (it )?back\b/i,
  /\bin the meantime\b|\bmeanwhile it\b/,
  /\bspeaks? against\b|\bspoke for\b/,
  /\b(un)?soiled\b|\bsoil\b/i,
  /\b(it )?(is|was) (not )?noted (that|whether)\b/,
  /\b(set|left) aside\b/i,
  /\bof which\b|\bby which\b|\bto whom\b|\bwhereof\b|\bthereof\b|\bhitherto\b|\bupon\b|\bshall\b/,
  /\bmend(s|ed)?\b/i,
  /\btelephones?\b/i,
]

it.each(turns.map((turn) => [turn.source, turn] as const))('no English text says %s', (_, turn) => {
  expect(current.filter(([, text = '']) => turn.test(text.replaceAll(/\{\w+\}/g, '')))).toEqual([])
})

it('sees the turns that it looks for', () => {
  for (const riddle of ['Part the shore lead', 'Draw the drain line clear', 'Offer the pan up', 'New way in', 'Let in no more', 'The one you have'])
    expect([riddle, turns.some((turn) => turn.test(riddle))]).toEqual([riddle, true])
})

describe('Spanish', () => {
  /** What is put into each text, by the types that English gives. */
  const asked = new Map<string, readonly string[]>()
  const english = join(here, 'en')
  for (const file of readdirSync(english, { recursive: true, encoding: 'utf8' }).filter((name) => name.endsWith('.ts')))
    for (const [, key, types] of readFileSync(join(english, file), 'utf8').matchAll(/'([\w.:-]+)': text<\{([^>]*?)\}>\(/gs))
      asked.set(
        key,
        [...types.matchAll(/(\w+): ([^;]+)/g)].filter(([, name, type]) => isName(name, type)).map(([, name]) => name),
      )
  /** Names of things are messages; names of places and units are somebody's own words. Figures, days and times agree with nothing. */
  function isName(name: string, type: string): boolean {
    if (name === 'minutes') return false
    return /Message|Sentence|Joined/.test(type) || /^(name|unit|unitName|siteName|site|gone|item|part|product|kind|title|what|ms|says)$/.test(name)
  }
  const article = '(?:el|la|los|las|unos?|unas?|del|al|est[aeo]s?|es[ao]s?|otr[oa]s?|nuev[oa]s?|ning[uú]n|ninguna|tod[oa]s?|mism[oa])'
  const agreeing =
    '(?!grado|lado|estado|resultado|cuadrado|desde|hasta)[a-záéíóúñ]*(?:[aei]d|abiert|limpi|suci|rot|sec|list|lent|puest|hech|dich|nuev|vací|llen)[oa]s?'
  const agrees = (name: string) => [
    new RegExp(`\\b${article}\\s+\\{${name}\\}`, 'i'),
    new RegExp(`\\{${name}\\}[»”"]?\\s*[,:;–—-]?\\s+(?:(?:est[aá]n?|es|son|quedan?|siguen?|fue|era)\\s+)?${agreeing}\\b(?!\\s*\\{)`, 'i'),
  ]
  let texts: Readonly<Partial<Record<Key, string>>>
  beforeAll(async () => void ({ texts } = await catalogueOf('es')))

  it('puts no word beside a name that would have to agree with it', () => {
    expect(languages).toContain('es')
    expect(asked.size).toBeGreaterThan(200)
    const wrong = Object.entries(texts).filter(
      ([key, text = '']) => !(key in earlier) && (asked.get(key) ?? []).some((name) => agrees(name).some((pattern) => pattern.test(text))),
    )
    expect(wrong).toEqual([])
  })
  it.each(['{part}: limpio', '{part} – encontrada', '{name} usado', 'el {part}', 'dicha para {name}, hecha {name} lista'])(
    'would see “%s”',
    (text) => {
      expect(['part', 'name'].some((name) => agrees(name).some((pattern) => pattern.test(text)))).toBe(true)
    },
  )
})

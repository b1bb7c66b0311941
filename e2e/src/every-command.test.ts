// Every command says how it is called and what it does, and turns down what it does not know, before anything begins.
import { execFile, execFileSync } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readFileSync, rmSync, symlinkSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { root } from './support/app.ts'

jest.setTimeout(120_000)
const folder = mkdtempSync(join(tmpdir(), 'yastik-every-'))
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const { scripts } = JSON.parse(readFileSync(join(root, 'package.json'), 'utf8')) as { scripts: Record<string, string> }
const commands = Object.entries(scripts).flatMap(([name, line]) => {
  const script = /^node (scripts\/[\w-]+\.mjs)$/.exec(line)?.[1]
  return script ? [[name, script] as const] : []
})
const env = { ...Object.fromEntries(Object.entries(process.env).filter(([name]) => !name.startsWith('YASTIK_'))), NODE_OPTIONS: '' }
const call = (script: string, ...args: string[]): Promise<{ status: number; stdout: string; stderr: string }> =>
  new Promise((resolve) => {
    execFile(process.execPath, [join(root, script), ...args], { env, cwd: folder }, (error, stdout, stderr) =>
      resolve({ status: error ? Number(error.code) : 0, stdout, stderr }),
    )
  })

it('there are all of them', () => expect(commands.length).toBeGreaterThanOrEqual(14))

it.each(commands)('npm run %s -- --help says how it is called, and what it does, and begins nothing', async (_, script) => {
  const { status, stdout, stderr } = await call(script, '--help')
  expect([status, stderr]).toEqual([0, ''])
  expect(stdout).toMatch(/^usage: npm [^\n]*\n(?: {7}npm [^\n]*\n)?\n[A-Z][^\n]+\.\n$/)
})
it.each(commands.filter(([name]) => name !== 'person'))('npm run %s turns down what it does not know', async (_, script) => {
  const { status, stdout, stderr } = await call(script, '--no-such-option')
  expect([status, stdout]).toEqual([2, ''])
  expect(stderr).toMatch(/usage: npm/)
})

describe('a data directory', () => {
  it('that is a file is said to be one', async () => {
    const file = join(folder, 'a-file')
    writeFileSync(file, 'text')
    for (const data of [file, join(file, 'below')]) {
      const { status, stderr } = await call('scripts/start.mjs', '--data', data)
      expect([status, stderr]).toEqual([2, expect.stringMatching(/is a file and not a folder|lies below something that is a file/)])
    }
    expect(readFileSync(file, 'utf8')).toBe('text')
  })
  it('in which somebody is at work already is left alone, and it is said who that is', async () => {
    const data = join(folder, 'held')
    mkdirSync(data)
    // A process that runs, with an argument of its own by which it is known.
    const script = join(folder, 'holder.mjs')
    writeFileSync(script, 'setInterval(() => undefined, 1000)')
    const holder = execFile(process.execPath, [script])
    try {
      writeFileSync(join(data, 'launcher.json'), JSON.stringify({ pid: holder.pid, script, at: 'http://127.0.0.1:4999/' }))
      const { status, stderr } = await call('scripts/start.mjs', '--data', data, '--port', '4998')
      expect([status, stderr]).toEqual([4, expect.stringContaining(`Process ${holder.pid} works in ${data} already, at http://127.0.0.1:4999/`)])
      expect(holder.exitCode).toBeNull()
    } finally {
      holder.kill('SIGKILL')
    }
  })
})

describe('a backup by a stranger', () => {
  const dump = (...lines: string[]) => ['-- MariaDB dump', ...lines, '-- Dump completed on 2026-01-01'].join('\n')
  /** Packs a backup. @returns its path */
  function packed(name: string, sql: string, link?: string): string {
    const inside = join(folder, name)
    mkdirSync(join(inside, 'files'), { recursive: true })
    writeFileSync(join(inside, 'database.sql'), sql)
    if (link) symlinkSync(link, join(inside, 'files', 'link'))
    execFileSync('tar', ['-cf', `${inside}.tar`, '-C', inside, 'database.sql', 'files'])
    return `${inside}.tar`
  }
  it.each([
    ['a command of the client', dump(`\\! touch ${join(folder, 'touched')}`)],
    ['the same by its name', dump(`system touch ${join(folder, 'touched')}`)],
    ['a trigger', dump('/*!50003 CREATE TRIGGER x BEFORE INSERT ON users FOR EACH ROW SET NEW.role = 1 */;')],
    ['another database', dump('USE mysql;')],
    ['more than rows behind rows', dump('INSERT INTO `firms` VALUES', '(1);', 'GRANT ALL ON *.* TO x;')],
  ])('is not read in where it holds %s', async (what, sql) => {
    const { status, stderr } = await call('scripts/restore.mjs', packed(what.replace(/ /g, '-'), sql), '--data', join(folder, 'empty'))
    expect([status, stderr]).toEqual([2, expect.stringContaining('is no part of one')])
    expect([existsSync(join(folder, 'touched')), existsSync(join(folder, 'empty'))]).toEqual([false, false])
  })
  it('is not unpacked where it holds a link', async () => {
    const { status, stderr } = await call('scripts/restore.mjs', packed('linked', dump(), '/etc'), '--data', join(folder, 'empty'))
    expect([status, stderr]).toEqual([2, expect.stringContaining('neither a file nor a folder')])
  })
})

// The commands as a person types them: plan, backup and restore, and start with a taken port or after a launcher that was killed.
import { execFile, execFileSync, spawn, type ChildProcess } from 'node:child_process'
import { existsSync, mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import { createServer, type AddressInfo, type Server } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { setTimeout as pause } from 'node:timers/promises'
import { root } from './support/app.ts'

jest.setTimeout(240_000)
// As on a desk: without the database that the test launcher names.
const env = { ...Object.fromEntries(Object.entries(process.env).filter(([name]) => !name.startsWith('YASTIK_'))), NODE_OPTIONS: '' }

interface Result {
  status: number
  stdout: string
  stderr: string
}
const runScript = (script: string, args: string[], input?: string, more: Record<string, string> = {}): Promise<Result> =>
  new Promise((resolve) => {
    const child = execFile(
      process.execPath,
      [join(root, 'scripts', script), ...args],
      { env: { ...env, ...more }, maxBuffer: 20_000_000 },
      (error, stdout, stderr) => resolve({ status: error ? Number(error.code) : 0, stdout, stderr }),
    )
    child.stdin?.on('error', () => undefined)
    child.stdin?.end(input)
  })

describe('the plan command', () => {
  const example = join(root, 'docs/examples/wall-head-strip-down.json')
  it('prints a plan of a file, and the same one from standard input', async () => {
    const [file, piped] = [await runScript('plan.mjs', [example]), await runScript('plan.mjs', ['-'], readFileSync(example, 'utf8'))]
    expect(file).toMatchObject({ status: 0, stderr: '' })
    expect(JSON.parse(file.stdout)).toMatchObject({ format: 'yastik.plan/1', units: [{ id: 'room-3' }] })
    expect(piped.stdout).toBe(file.stdout)
  })
  it('prints one line per fault to standard error and exits 2', async () => {
    const job = JSON.parse(readFileSync(example, 'utf8'))
    job.units[0].grades.wheel.grade = 7
    job.site.altitudeM = -9000
    const { status, stdout, stderr } = await runScript('plan.mjs', ['-'], JSON.stringify(job))
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' })
    expect(stderr.trim().split('\n').sort()).toEqual([
      'site.altitudeM: -9000 is not allowed; allowed: at least -450',
      'units[0].grades.wheel.grade: 7 is not allowed; allowed: 0, 1, 2, 3, 4',
    ])
  })
  it('says plan and faults in the language that is asked for', async () => {
    const { stdout } = await runScript('plan.mjs', ['--language', 'es', example])
    expect(JSON.parse(stdout).units[0].steps[0].title).toMatch(/^[¿¡]?\p{Lu}.*(el|la|los|las|con|que)\b/u)
    const job = JSON.parse(readFileSync(example, 'utf8'))
    delete job.crew
    const { status, stderr } = await runScript('plan.mjs', ['--language', 'es', '-'], JSON.stringify(job))
    expect({ status, stderr: stderr.trim() }).toEqual({ status: 2, stderr: 'crew: falta esto; se permite: una lista' })
    expect((await runScript('plan.mjs', ['--language', 'xx', example])).stderr.trim()).toBe('--language: "xx" is not allowed; allowed: en, es')
  })
  it.each([
    ['nothing', [], undefined],
    ['a file that is not there', ['no-such.json'], undefined],
    ['text that is no JSON', ['-'], '{ NaN'],
    ['10 MB of text', ['-'], 'x'.repeat(10_000_000)],
  ])('exits 2 with a sentence for %s', async (_, args, input) => {
    const { status, stdout, stderr } = await runScript('plan.mjs', args as string[], input)
    expect({ status, stdout }).toEqual({ status: 2, stdout: '' })
    expect(stderr).toMatch(/usage|no such file|not JSON|at most 2,000,000 characters/)
  })
})

describe('the start command', () => {
  const started: ChildProcess[] = []
  const data = mkdtempSync(join(tmpdir(), 'yastik-start-'))
  let holder: Server
  afterAll(() => {
    holder?.close()
    for (const child of started) child.kill('SIGKILL')
    rmSync(data, { recursive: true, force: true })
  })
  const portSource = "import { freePort } from './scripts/lib/ports.mjs'; console.log(await freePort())"
  const freePort = () => Number(execFileSync(process.execPath, ['--input-type=module', '--eval', portSource], { cwd: root, env, encoding: 'utf8' }))
  const start = (port: number, ...more: string[]) => {
    const child = spawn(process.execPath, [join(root, 'scripts/start.mjs'), '--port', String(port), '--data', data, ...more], {
      env,
      stdio: ['ignore', 'pipe', 'pipe'],
    })
    started.push(child)
    let output = ''
    const ready = new Promise<string>((resolve, reject) => {
      for (const stream of [child.stdout, child.stderr])
        stream.on('data', (chunk) => {
          output += chunk
          if (output.includes('Ctrl+C stops it.')) resolve(output)
        })
      child.once('exit', (status) => reject(new Error(`ended with ${status}: ${output}`)))
    })
    return { child, ready }
  }
  const ended = (child: ChildProcess) => new Promise<number | null>((resolve) => child.once('exit', (status) => resolve(status)))
  const answers = (port: number) => fetch(`http://127.0.0.1:${port}/api/session`).then(({ status }) => status)

  it('says in a sentence that a port is taken, or an option wrong', async () => {
    holder = createServer().listen(0, '127.0.0.1')
    await new Promise((resolve) => holder.once('listening', resolve))
    const { port } = holder.address() as AddressInfo
    const taken = await runScript('start.mjs', ['--port', String(port), '--data', data])
    expect(taken.status).toBe(3)
    expect(taken.stderr).toContain(`Port ${port} is taken by another program. Choose another one`)
    expect(await runScript('start.mjs', ['--port', 'ninety'])).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('a whole number from 1 to 65535'),
    })
    expect((await runScript('start.mjs', ['--colour', 'red'])).status).toBe(2)
  })
  it('prints one URL and the demo sign-ins, keeps its password to itself, and stops cleanly', async () => {
    const port = freePort()
    const { child, ready } = start(port)
    const output = await ready
    expect(output.match(/http:\S+/g)).toEqual([`http://127.0.0.1:${port}/`])
    expect(output).toMatch(/mira .*owner[\s\S]*imre .*technician/)
    // Started as root the database runs as its own system user, and reads nothing of the data directory but its own.
    const pid = readFileSync(join(data, 'run', 'mariadb.pid'), 'utf8').trim()
    const [, uid] = /^Uid:\s+(\d+)/m.exec(readFileSync(`/proc/${pid}/status`, 'utf8')) ?? []
    if (process.getuid?.() === 0) expect(uid).toBe(execFileSync('id', ['-u', 'mysql'], { encoding: 'utf8' }).trim())
    expect(statSync(join(data, 'app-password')).mode & 0o777).toBe(0o600)
    expect(statSync(join(data, 'password')).mode & 0o777).toBe(0o600)
    expect(await answers(port)).toBe(401)
    const end = ended(child)
    child.kill('SIGTERM')
    expect(await end).toBe(0)
    await expect(answers(port)).rejects.toThrow()
  })
  const dbPid = () => Number(readFileSync(join(data, 'run', 'mariadb.pid'), 'utf8'))
  const runs = (pid: number) => existsSync(`/proc/${pid}`)
  /** Looks until it holds. */
  async function comes(holds: () => boolean | Promise<boolean>, what: string): Promise<void> {
    for (const endMs = performance.now() + 60_000; performance.now() < endMs; await pause(100))
      if (await Promise.resolve(holds()).catch(() => false)) return
    throw new Error(`${what} does not come`)
  }
  it('starts what died again, and ends with whoever started it, however that is ended', async () => {
    const port = freePort()
    // As npm does it: a shell between.
    const script = [process.execPath, join(root, 'scripts/start.mjs'), '--port', String(port), '--data', data].join(' ')
    const shell = spawn('sh', ['-c', `${script}; true`], { env: { ...env, npm_lifecycle_event: 'start' }, stdio: 'ignore' })
    started.push(shell)
    await comes(async () => (await answers(port)) === 401, 'the server')
    const app = () => Number(readFileSync(join(data, 'app.pid'), 'utf8'))
    const [firstApp, firstDb] = [app(), dbPid()]
    process.kill(firstApp, 'SIGKILL')
    await comes(async () => app() !== firstApp && (await answers(port)) === 401, 'another server')
    process.kill(firstDb, 'SIGKILL')
    await comes(() => dbPid() !== firstDb && runs(dbPid()), 'another database')
    await comes(async () => (await fetch(`http://127.0.0.1:${port}/ready`)).status === 200, 'an answer from it')
    const [lastApp, lastDb] = [app(), dbPid()]
    shell.kill('SIGKILL')
    await comes(() => !runs(lastApp) && !runs(lastDb), 'the end of both')
    await expect(answers(port)).rejects.toThrow()
  })
  it('starts again after a launcher that was killed, on the same data', async () => {
    const port = freePort()
    const first = start(port)
    await first.ready
    const end = ended(first.child)
    first.child.kill('SIGKILL')
    await end
    // The server ends with its launcher, and the database is told to.
    await comes(
      () =>
        answers(port).then(
          () => false,
          () => true,
        ),
      'the end of the server',
    )
    const second = start(port)
    await second.ready
    expect(await answers(port)).toBe(401)
    const secondEnd = ended(second.child)
    second.child.kill('SIGINT')
    expect(await secondEnd).toBe(0)
  })
  it('lets somebody in who was added at the command line, and nobody twice', async () => {
    const person = ['--data', data, '--firm', 'Our firm', '--name', 'Ada Rowan', '--sign-in', 'ada', '--role', 'owner']
    expect(await runScript('person.mjs', person, 'too short')).toMatchObject({ status: 2, stderr: expect.stringContaining('at least 12') })
    expect((await runScript('person.mjs', person, 'ada rowan 2026')).stderr).toContain('password: this is easy to guess')
    expect(await runScript('person.mjs', person.slice(0, -2), 'long enough to pass')).toMatchObject({
      status: 2,
      stderr: expect.stringContaining('--role is missing'),
    })
    expect((await runScript('person.mjs', person, 'long enough to pass')).stdout).toContain('Ada Rowan signs in as ada, owner of Our firm.')
    const port = freePort()
    const { child, ready } = start(port)
    await ready
    const origin = `http://127.0.0.1:${port}`
    const answer = await fetch(`${origin}/api/session`, {
      method: 'POST',
      headers: { origin, 'content-type': 'application/json' },
      body: JSON.stringify({ signIn: 'ada', password: 'long enough to pass' }),
    })
    expect(await answer.json()).toMatchObject({ name: 'Ada Rowan', role: 'owner', firm: 'Our firm' })
    // The database of a running application is found too.
    expect((await runScript('person.mjs', person, 'long enough to pass')).stderr).toContain('“ada” is in use already.')
    const end = ended(child)
    child.kill('SIGTERM')
    await end
  })
  it('writes a backup of a running instance, and restores it into an empty one, all of it or nothing', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yastik-backup-'))
    const [file, cut, other, third] = ['a.tar', 'cut.tar', 'other', 'third'].map((name) => join(folder, name))
    try {
      mkdirSync(join(data, 'files', '1'), { recursive: true })
      writeFileSync(join(data, 'files', '1', 'photo.jpg'), 'as it is')
      const daily = join(folder, 'daily')
      const { child, ready } = start(freePort(), '--backup', daily)
      await ready
      expect(await runScript('backup.mjs', [file, '--data', data])).toMatchObject({ status: 0 })
      // And once a day by itself.
      const isThere = () => existsSync(daily) && readdirSync(daily).some((name) => /^yastik-.*Z\.tar$/.test(name))
      await comes(isThere, 'a backup by itself')
      const end = ended(child)
      child.kill('SIGTERM')
      await end
      expect(statSync(file).mode & 0o077).toBe(0)
      expect(await runScript('restore.mjs', [file, '--data', other])).toMatchObject({ status: 0, stdout: expect.stringContaining('restored') })
      expect(readFileSync(join(other, 'files', '1', 'photo.jpg'), 'utf8')).toBe('as it is')
      // As a timer does it, whose environment names the database that is in use.
      const named = { YASTIK_DB_PORT: '1', YASTIK_DB_USER: 'x', YASTIK_DB_PASSWORD: 'x', YASTIK_DB_NAME: 'x', YASTIK_FILES: '/nowhere' }
      const check = await runScript('restore-check.mjs', [file], undefined, named)
      expect(check).toMatchObject({ status: 0 })
      expect(check.stdout).toMatch(/: \d{4,} rows of 2\d tables and 1 files came back as they were/)
      // Nothing is written over: neither a firm nor a backup; and what is cut off is not begun.
      expect(await runScript('restore.mjs', [file, '--data', other])).toMatchObject({
        status: 2,
        stderr: expect.stringContaining('holds a firm already'),
      })
      expect((await runScript('backup.mjs', [file, '--data', data])).stderr).toContain('is there already')
      writeFileSync(cut, readFileSync(file).subarray(0, 50_000))
      expect(await runScript('restore.mjs', [cut, '--data', third])).toMatchObject({
        status: 2,
        stderr: expect.stringContaining('is no backup of Yastik'),
      })
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
  })
  it('seals backups with a key, keeps them by age, and brings one to any later moment by what was changed since', async () => {
    const folder = mkdtempSync(join(tmpdir(), 'yastik-sealed-'))
    const [backups, key, other, then] = ['backups', 'key', 'other', 'then'].map((name) => join(folder, name))
    const person = (name: string) => ['--firm', 'Our firm', '--name', name, '--sign-in', name, '--role', 'owner', '--data', data]
    const daysAgo = (days: number) => `yastik-${new Date(Date.now() - days * 86_400_000).toISOString().slice(0, 10)}T01-00-00Z.tar.gpg`
    const { child, ready } = start(freePort())
    try {
      await ready
      writeFileSync(key, 'a key that nobody guesses')
      mkdirSync(backups)
      const old = [1, 2, 3, 40, 41, 500].map(daysAgo)
      for (const name of old) writeFileSync(join(backups, name), 'an earlier one')
      const backUp = () => runScript('backup.mjs', ['--into', backups, '--key', key, '--days', '2', '--weeks', '0', '--months', '2', '--data', data])
      expect(await backUp()).toMatchObject({ status: 0 })
      // All of the last days, one of each month before, and none that is older.
      const left = readdirSync(backups).filter((name) => name.endsWith('.gpg'))
      expect(left).toEqual(expect.arrayContaining([old[0], daysAgo(40)]))
      expect(left).not.toContain(daysAgo(500))
      const sealed = left.filter((name) => !old.includes(name))
      expect(sealed).toHaveLength(1)
      expect(readFileSync(join(backups, sealed[0])).includes('Fennick')).toBe(false)
      // Somebody comes before the moment, and somebody after it.
      expect(await runScript('person.mjs', person('before'), 'long enough to pass')).toMatchObject({ status: 0 })
      await pause(1100)
      const moment = new Date().toISOString()
      await pause(1100)
      expect(await runScript('person.mjs', person('after'), 'long enough to pass')).toMatchObject({ status: 0 })
      await pause(1100)
      expect(await backUp()).toMatchObject({ status: 0 })
      const end = ended(child)
      child.kill('SIGTERM')
      await end
      const restored = await runScript('restore.mjs', [backups, '--key', key, '--until', moment, '--data', then])
      expect(restored).toMatchObject({ status: 0, stdout: expect.stringContaining('doing again what was changed') })
      // Who came before it is there, and who came after it is not.
      expect((await runScript('person.mjs', [...person('before').slice(0, -1), then], 'long enough to pass')).stderr).toContain('already')
      expect(await runScript('person.mjs', [...person('after').slice(0, -1), then], 'long enough to pass')).toMatchObject({ status: 0 })
      const [wrongKey, noKey] = [
        await runScript('restore.mjs', [backups, '--key', join(backups, sealed[0]), '--data', other]),
        await runScript('restore.mjs', [backups, '--data', other]),
      ]
      expect(wrongKey).toMatchObject({ status: 2, stderr: expect.stringContaining('does not open with this key') })
      expect(noKey).toMatchObject({ status: 2, stderr: expect.stringContaining('name its key') })
      for (const [until, says] of [
        ['yesterday', 'a time with its zone'],
        ['2001-01-01T00:00:00Z', 'no backup'],
      ])
        expect(await runScript('restore.mjs', [backups, '--key', key, '--until', until, '--data', other])).toMatchObject({
          status: 2,
          stderr: expect.stringContaining(says),
        })
    } finally {
      rmSync(folder, { recursive: true, force: true })
    }
  })
  it('does not touch a process that is not its own', async () => {
    writeFileSync(join(data, 'app.pid'), String(process.pid))
    const port = freePort()
    const { child, ready } = start(port)
    expect(await ready).not.toContain('left behind')
    const end = ended(child)
    child.kill('SIGTERM')
    await end
  })
})

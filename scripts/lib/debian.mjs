// Are the programs from Debian's packages there? Installs what is missing when allowed to.
import { existsSync } from 'node:fs'
import { runQuietly } from './run.mjs'
import { giveUp, say } from './say.mjs'

/** Program → the package that holds it. */
const programs = {
  mariadb: { package: 'mariadb-server', paths: ['/usr/sbin/mariadbd', '/usr/bin/mariadbd'] },
  chromium: { package: 'chromium', paths: ['/usr/bin/chromium'] },
  gpg: { package: 'gnupg', paths: ['/usr/bin/gpg'] },
  rsync: { package: 'rsync', paths: ['/usr/bin/rsync'] },
  pdftotext: { package: 'poppler-utils', paths: ['/usr/bin/pdftotext'] },
  chromedriver: { package: 'chromium-driver', paths: ['/usr/bin/chromedriver'] },
}

const find = (name) => programs[name].paths.find((path) => existsSync(path))

/** Paths of the named programs, installed first where they are missing. */
export async function needPrograms(...names) {
  const missing = names.filter((name) => !find(name)).map((name) => programs[name].package)
  if (missing.length > 0) {
    if (process.getuid?.() !== 0)
      giveUp(`These packages are missing: ${missing.join(', ')}. Install them as root, for instance with: apt-get install ${missing.join(' ')}`)
    say(`installing from Debian: ${missing.join(', ')} (this takes a minute)`)
    const env = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' }
    await runQuietly('apt-get', ['update', '-qq'], { env })
    const { status, output } = await runQuietly('apt-get', ['install', '-y', '-qq', '--no-install-recommends', ...missing], { env })
    if (status !== 0) giveUp(`Installing ${missing.join(', ')} failed:\n${output.slice(-2000)}`)
  }
  return names.map((name) => find(name) ?? giveUp(`${programs[name].package} is installed, but ${programs[name].paths[0]} is not there.`))
}

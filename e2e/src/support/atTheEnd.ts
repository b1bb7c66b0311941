// Set up for every group of test files: what they hand on from one to the next ends after the last of them.
import { endServers } from './app.ts'
import { endBrowsers } from './browser.ts'

afterAll(async () => {
  await endBrowsers()
  await endServers()
}, 60_000)

// Before each test file of the server.
import { hashAt } from '../auth/passwords.ts'

// Databases are made while all cores are busy: a limit against hanging, no measure of speed.
jest.setTimeout(30_000)
hashAt({ N: 2 ** 10, r: 8, p: 1 })

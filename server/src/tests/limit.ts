// Databases are made and passwords hashed while all cores are busy: a limit against hanging, no measure of speed.
jest.setTimeout(30_000)

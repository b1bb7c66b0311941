// The block of one test file in a group: what it sets in the environment is as it was before for the file after it.
/* global afterAll, describe */
module.exports = function block(file, load) {
  describe(file, () => {
    const before = { ...process.env }
    load()
    // After everything that the file itself does at its end.
    afterAll(() => {
      for (const name of Object.keys(process.env)) if (!(name in before)) delete process.env[name]
      Object.assign(process.env, before)
    })
  })
}

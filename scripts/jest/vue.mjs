// Lets the tests load components: the single-file compiler that the build uses, then the same step as for every other file.
import { compileScript, parse } from 'vue/compiler-sfc'
import { createTransformer } from '@swc/jest'

const inner = createTransformer({ jsc: { target: 'es2022', parser: { syntax: 'typescript' } }, module: { type: 'commonjs' } })

export default {
  process(source, filename, options) {
    const { descriptor, errors } = parse(source, { filename })
    if (errors.length > 0) throw errors[0]
    const { content } = compileScript(descriptor, { id: filename, inlineTemplate: true })
    return inner.process(content, `${filename}.ts`, options)
  },
}

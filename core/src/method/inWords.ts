// What does the rule book say, in words that a person can read and dispute?
import { says, type Say } from '../words/index.ts'
import { schoolName } from './schoolNames.ts'
import { levels } from './rule.ts'
import { ruleBook } from './rules/index.ts'
import { decidingOrder } from './topics.ts'
import { choiceName, topicName } from './choiceNames.ts'

/** The whole book as Markdown, in the language of `say`, topic by topic in the order of deciding; within a topic in the order in which rules are asked. */
export function ruleBookInWords(say: Say): string {
  const columns = (...names: ('bar' | 'level' | 'never' | 'rule' | 'then' | 'when')[]) =>
    `| ${names.map((name) => say(says(`method.book.${name}`))).join(' | ')} |\n|${'---|'.repeat(names.length)}`
  const topics = decidingOrder.map((topic) => {
    const { rules, bars } = ruleBook[topic]
    const inOrder = levels.flatMap((level) => rules.filter((rule) => rule.level === level))
    const said = inOrder.map(({ id, level, then, when, school }) => {
      const name = say(says(`method.level.${level}`))
      const own = school ? say(says('method.book.of-school', { level: name, school: { lower: schoolName(school) } })) : name
      return `| \`${id}\` | ${own} | ${say(when.words)} | **${say(choiceName(then))}** |`
    })
    const barred = bars.map(({ id, choice, when }) => `| \`${id}\` | ${say(choiceName(choice))} | ${say(when.words)} |`)
    return [
      `## ${say(topicName(topic))} (\`${topic}\`)`,
      [columns('rule', 'level', 'when', 'then'), ...said].join('\n'),
      ...(barred.length > 0 ? [[columns('bar', 'never', 'when'), ...barred].join('\n')] : []),
    ].join('\n\n')
  })
  return `${[
    `# ${say(says('method.book.title'))}`,
    say(says('method.book.how', { command: '`npm run formats`' })),
    levels.map((level) => `- ${say(says(`method.level-said.${level}`))}`).join('\n'),
    ...topics,
  ].join('\n\n')}\n`
}

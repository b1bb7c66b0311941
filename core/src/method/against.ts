// What speaks against a choice, beside the one that is taken? Choices of a topic go from the least work to the most.
import { choicesOf, type Choice, type Topic } from './topics.ts'
import { says, type Message } from '../words/index.ts'

/** That it does too little here, or takes more than is needed. */
export function against(topic: Topic, choice: Choice, taken: Choice): Message {
  if (choice === 'decline') return says('method.against.decline')
  const order: readonly Choice[] = choicesOf[topic]
  return says(`method.against.${topic}.${order.indexOf(choice) < order.indexOf(taken) ? 'less' : 'more'}`)
}

// How are topics and choices called?
import { choices } from '../words/en/choices.ts'
import { namesOf } from '../words/en/namesOf.ts'
import { says, type Message } from '../words/index.ts'
import { choicesOf, topics, type Choice, type Topic } from './topics.ts'

/** How a topic is named to a person, and in English. */
export const topicName = (topic: Topic): Message => says(`names.topic.${topic}`)
export const topicNames: Record<Topic, string> = /* @__PURE__ */ namesOf(choices, 'topic', topics)

/** How a choice is named to a person, and in English. */
export const choiceName = (choice: Choice): Message => says(`names.choice.${choice}`)
export const choiceNames: Record<Choice, string> = /* @__PURE__ */ namesOf(
  choices,
  'choice',
  topics.flatMap((topic): readonly Choice[] => choicesOf[topic]),
)

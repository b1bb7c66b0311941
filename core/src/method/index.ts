// Method: decision rules, and the decisions they make with their reasons.
export { byHand, decide, decideAnew, redecide, standings, type Decision, type Standing } from './engine.ts'
export {
  agentProduct,
  degreaserBefore,
  factsOf,
  handSprayerOf,
  hasGrease,
  isTrained,
  liftsOf,
  powerBars,
  isOutOfSeason,
  isOutOfWall,
  isPlugCleaned,
  isUncovered,
  reaches,
  reachesOutdoorSide,
  slidKg,
  staysInItsWall,
  staysOff,
  troughLitres,
  usualCarriedL,
  usualHoursPerDay,
  type Facts,
  type FactsInput,
  type Hand,
  type SettledFacts,
  type Setting,
  type SiteFacts,
} from './facts.ts'
export {
  houseRulesSchema,
  knownHouseRules,
  schools,
  startHouseRules,
  type HouseRules,
  type KnownHouseRules,
  type SchoolName,
  type Schools,
} from './houseRules.ts'
export { schoolName, schoolNames, schoolSentence, schoolSentences } from './schoolNames.ts'
export { ruleBookInWords } from './inWords.ts'
export { notReached, saysNotClean, tightCeilingGap, type NotReached } from './notReached.ts'
export { refereeName, referees, referralsFor, type Referral } from './referrals.ts'
export { type Bar, type Rule } from './rule.ts'
export { roofWeather } from './rules/scope.ts'
export { ruleBook } from './rules/index.ts'
export { treatmentWeeks, usualTreatmentWeeks } from './rules/water.ts'
export { choicesOf, decidingOrder, topics, topicSchema, type Choice, type ChoiceOf, type Topic } from './topics.ts'
export { choiceName, choiceNames, topicName, topicNames } from './choiceNames.ts'

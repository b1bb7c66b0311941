// The judge: generated jobs, predicates that quote the brief, comparisons of sense. Run by `npm test` in part and by `npm run judge` at any length.
export { jobOf } from './generator.ts'
export { judge, judgeJob, judgeVisit, predicates, shrink, type FoundFault } from './judge.ts'
export { Case, type Predicate } from './predicate.ts'
export { comparisonsOf, senseOf } from './sense.ts'

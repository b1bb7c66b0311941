// Report: what a customer reads about the work on one unit, in words and in their units.
export { reportContent, type ReportContent, type ReportWords, type ReportInput } from './content.ts'

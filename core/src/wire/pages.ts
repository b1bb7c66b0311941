// At which addresses is the interface? Its router has a view for each; the server knows by it what is nowhere.
export const pagePaths = [
  '/',
  '/sign-in',
  '/sites',
  '/sites/new',
  '/sites/:siteId',
  ...(['look-over', 'method', 'at-the-unit', 'proof', 'visit', 'crew', 'report', 'record'] as const).map(
    (station) => `/jobs/:jobId/:unitId/${station}` as const,
  ),
  '/quotes',
  '/quotes/:quoteId',
  '/logbook',
  '/logbook/due',
  '/logbook/messages',
  '/stores',
  '/stores/load',
  '/stores/stock',
  '/house-rules',
  '/house-rules/wording',
  '/house-rules/people',
  '/house-rules/programs',
  '/house-rules/audit',
  '/yourself',
  '/data',
] as const

const patterns = pagePaths.map((path) => new RegExp(`^${path.replace(/:\w+/g, '[^/]+')}/?$`))
/** @param path without its query */
export const isPage = (path: string): boolean => patterns.some((pattern) => pattern.test(path))

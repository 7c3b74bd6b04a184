/** Every route that tells of the whole kitchen. */
export const READ_ROUTES = [
  '/api/kitchen',
  '/api/makes',
  '/api/events',
  '/api/factors',
  '/api/milk',
  '/api/milk/ledger',
  '/api/milk/days',
  '/api/milk/milkings.csv',
  '/api/cultures',
  '/api/export',
  '/api/backup',
] as const;

/** What a route of the HTTP interface is for. */
export interface RouteFacts {
  /** Its name in the OpenAPI document. */
  readonly id: string;
  readonly tag: string;
  readonly summary: string;
  /** Open to a device that has not joined. */
  readonly open?: true;
  /** What it answers where that is no JSON of a schema. */
  readonly answers?: { readonly type: string; readonly what: string };
}

/** One line a route: the OpenAPI document, `docs/API.md` and their checks are made from it. */
export const ROUTE_FACTS: Readonly<Record<string, RouteFacts>> = {
  'GET /api/kitchen': {
    id: 'readKitchen',
    tag: 'Kitchen',
    summary: 'Name, settings, the last entry of the log and the server’s time',
  },
  'GET /api/makes': {
    id: 'listMakes',
    tag: 'Batches',
    summary:
      'All batches as lines of the Daybook; by status, or those under way and so many of the latest others',
  },
  'GET /api/makes/:id': { id: 'readMake', tag: 'Batches', summary: 'The entries of one batch' },
  'GET /api/makes/:id/forecast': {
    id: 'forecastMake',
    tag: 'Batches',
    summary: 'The forecast the page draws, for scripts',
    answers: { type: 'application/json', what: 'A forecast: marks and steps, each with its band' },
  },
  'POST /api/makes/:id/readings': {
    id: 'addReading',
    tag: 'Devices',
    summary: 'A device’s reading: one of `celsius`, `fahrenheit` and `ph`, with the time if it is not now',
  },
  'GET /api/makes/:id/readings.csv': {
    id: 'exportReadings',
    tag: 'Devices',
    summary: 'Every reading, raw and corrected, with all of the loggers’ rows',
    answers: { type: 'text/csv', what: 'One reading a line' },
  },
  'POST /api/makes/:id/traces': {
    id: 'addTrace',
    tag: 'Devices',
    summary: 'A logger’s rows; only new rows are stored',
  },
  'GET /api/makes/:id/traces/:traceId': {
    id: 'readTrace',
    tag: 'Devices',
    summary: 'A part of a stored trace, thinned',
  },
  'POST /api/makes/:id/photos': {
    id: 'addPhoto',
    tag: 'Batches',
    summary: 'A picture, base64, at most 1024 px and 1.2 MB',
  },
  'GET /api/photos': {
    id: 'listPhotos',
    tag: 'Batches',
    summary: 'Pictures of the last batches of a product at one kind of step',
  },
  'GET /api/photos/:id': {
    id: 'readPhoto',
    tag: 'Batches',
    summary: 'One picture',
    answers: { type: 'image/jpeg', what: 'The picture' },
  },
  'GET /api/milk': {
    id: 'readMilkRoom',
    tag: 'Registers',
    summary: 'The lots that are not empty, what is set aside from them, and what churning taught',
  },
  'GET /api/milk/ledger': {
    id: 'readLedger',
    tag: 'Registers',
    summary: 'Lines of the ledger, the latest first',
  },
  'GET /api/milk/days': {
    id: 'readMilkDays',
    tag: 'Registers',
    summary: 'Litres a day from each animal, and what was taken to eat, for the last 400 days',
  },
  'POST /api/milk/milkings': {
    id: 'addMilkings',
    tag: 'Registers',
    summary: 'Rows of a milkings file, for the record only; each is stored once',
  },
  'GET /api/milk/milkings.csv': {
    id: 'exportMilkings',
    tag: 'Registers',
    summary: 'Every milking: date, time, source, kind, amount, unit, fat, note',
    answers: { type: 'text/csv', what: 'One milking a line' },
  },
  'GET /api/cultures': {
    id: 'readCultures',
    tag: 'Registers',
    summary: 'Every culture with its parents, generations and batches',
  },
  'GET /api/larder': {
    id: 'readLarder',
    tag: 'Registers',
    summary: 'Goods by lot with their pieces at each place, and what left',
  },
  'GET /api/larder/trace': {
    id: 'readLarderTrace',
    tag: 'Registers',
    summary: 'What came of what: milk, batches and goods, from a jar to the milking and back',
  },
  'GET /api/factors': {
    id: 'readFactors',
    tag: 'Kitchen',
    summary: 'What finished batches have taught, and how',
  },
  'GET /api/methods': {
    id: 'readMethods',
    tag: 'Kitchen',
    summary: 'The kitchen’s own methods with all their versions',
  },
  'GET /api/days': { id: 'readDays', tag: 'Kitchen', summary: 'Days that are kept or going on' },
  'GET /api/events': {
    id: 'readEvents',
    tag: 'Log',
    summary: 'The log in order; of one batch, lot, culture or other stream',
  },
  'POST /api/events': {
    id: 'addEvents',
    tag: 'Log',
    summary: 'Stores up to 200 entries, all or none',
  },
  'GET /api/stream': {
    id: 'followLog',
    tag: 'Log',
    summary: 'Server-sent events: each entry with its `seq` as ID, and the time every 15 s',
    answers: { type: 'text/event-stream', what: 'Entries and times' },
  },
  'GET /api/backup': {
    id: 'backUp',
    tag: 'Files',
    summary: 'The whole kitchen as one file: settings, batches, rows',
    answers: { type: 'application/json', what: 'A back-up' },
  },
  'POST /api/restore': {
    id: 'restore',
    tag: 'Files',
    summary: 'Restores a back-up into a kitchen without batches, all or nothing',
  },
  'GET /api/export': {
    id: 'exportDaybook',
    tag: 'Files',
    summary: 'The whole Daybook as one file',
    answers: { type: 'application/json', what: 'A Daybook' },
  },
  'POST /api/import': {
    id: 'importDaybook',
    tag: 'Files',
    summary: 'Imports a Daybook file: adds what is missing, changes nothing, all or nothing',
  },
  'POST /api/join': {
    id: 'join',
    tag: 'Tablets',
    summary: 'Joins a device on the local network with the kitchen code',
    open: true,
  },
  'GET /api/tablets': { id: 'listTablets', tag: 'Tablets', summary: 'Devices that joined' },
  'POST /api/tablets/:id/revoke': {
    id: 'revokeTablet',
    tag: 'Tablets',
    summary: 'Takes a device’s access away, and makes a new code',
  },
  'POST /api/code': { id: 'renewCode', tag: 'Tablets', summary: 'A new kitchen code; the old one ends' },
  'GET /api/calendar': {
    id: 'readCalendarAddress',
    tag: 'Tablets',
    summary: 'Whether calendars may ask for what is coming, and since when',
  },
  'POST /api/calendar': {
    id: 'renewCalendarAddress',
    tag: 'Tablets',
    summary: 'A new calendar address, told this once; the old one ends',
  },
  'POST /api/calendar/revoke': {
    id: 'revokeCalendarAddress',
    tag: 'Tablets',
    summary: 'Ends the calendar address',
  },
  'GET /calendar/:file': {
    id: 'readCalendar',
    tag: 'Tablets',
    summary: 'Coming moments of batches and days for calendars; the file is called after a secret',
    open: true,
    answers: { type: 'text/calendar', what: 'An iCalendar file' },
  },
  'GET /api/secure': {
    id: 'readSecure',
    tag: 'Tablets',
    summary: 'The secure address of this kitchen, and the fingerprint of the authority to trust',
    open: true,
  },
};

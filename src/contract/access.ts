/**
 * Every route of the API: method, path, and who may use it. One table; the server mounts from it, the client takes
 * its paths from it, and a test walks all of it.
 */
export const ROLES = ['owner', 'office', 'technician'] as const;
export type Role = (typeof ROLES)[number];

export interface RouteSpec {
  method: 'get' | 'post' | 'put' | 'delete';
  path: string;
  /** Roles that may use it; `anyone` needs no sign-in. */
  allow: readonly Role[] | 'anyone';
}

const EVERYBODY = ROLES;
/** Those who see prices and customers' contacts. */
const DESK = ['owner', 'office'] as const;

export const ROUTES = {
  health: { method: 'get', path: '/api/health', allow: 'anyone' },
  sessionRead: { method: 'get', path: '/api/session', allow: 'anyone' },
  signIn: { method: 'post', path: '/api/session', allow: 'anyone' },
  signInDemo: { method: 'post', path: '/api/session/demo', allow: 'anyone' },
  signOut: { method: 'delete', path: '/api/session', allow: 'anyone' },
  shopCreate: { method: 'post', path: '/api/shop', allow: 'anyone' },
  shopLists: { method: 'get', path: '/api/shop/lists', allow: DESK },
  personPut: { method: 'put', path: '/api/shop/people/:personId', allow: ['owner'] },
  placePut: { method: 'put', path: '/api/shop/places/:placeId', allow: DESK },
  vendorPut: { method: 'put', path: '/api/shop/vendors/:vendorId', allow: DESK },
  known: { method: 'get', path: '/api/shop/known', allow: EVERYBODY },
  floor: { method: 'get', path: '/api/floor', allow: EVERYBODY },
  live: { method: 'get', path: '/api/live', allow: EVERYBODY },
  customersList: { method: 'get', path: '/api/customers', allow: DESK },
  buildCreate: { method: 'post', path: '/api/builds', allow: DESK },
  buildRead: { method: 'get', path: '/api/builds/:buildId', allow: EVERYBODY },
  agreedPut: { method: 'put', path: '/api/builds/:buildId/agreed', allow: DESK },
  pausePut: { method: 'put', path: '/api/builds/:buildId/pauses/:pauseId', allow: DESK },
  pauseEnd: { method: 'post', path: '/api/builds/:buildId/pauses/:pauseId/end', allow: DESK },
  buildNext: { method: 'put', path: '/api/builds/:buildId/next', allow: DESK },
  entriesList: { method: 'get', path: '/api/builds/:buildId/entries', allow: EVERYBODY },
  entryAdd: { method: 'post', path: '/api/builds/:buildId/entries', allow: EVERYBODY },
  booksOf: { method: 'get', path: '/api/builds/:buildId/books', allow: DESK },
  bookAsk: { method: 'post', path: '/api/builds/:buildId/books', allow: ['owner'] },
  bookRead: { method: 'get', path: '/api/books/:bookId', allow: DESK },
  /** The body is an archive, as it is. */
  bookBringIn: { method: 'put', path: '/api/books/:bookId', allow: ['owner'] },
  bookGive: { method: 'post', path: '/api/books/:bookId/give', allow: ['owner'] },
  bookFile: { method: 'get', path: '/api/books/:bookId/:bookFile', allow: DESK },
  /** A run of speech about several cars: all of it, or none. */
  saidKeep: { method: 'post', path: '/api/said', allow: EVERYBODY },
  entryCorrect: { method: 'post', path: '/api/builds/:buildId/corrections', allow: EVERYBODY },
  lettersDue: { method: 'get', path: '/api/letters', allow: DESK },
  mannerRead: { method: 'get', path: '/api/builds/:buildId/manner', allow: DESK },
  mannerPut: { method: 'put', path: '/api/builds/:buildId/manner', allow: DESK },
  letterWordsSave: { method: 'put', path: '/api/shop/letter-words', allow: ['owner'] },
  lettersList: { method: 'get', path: '/api/builds/:buildId/letters', allow: DESK },
  letterDraft: { method: 'post', path: '/api/builds/:buildId/letters', allow: DESK },
  letterRead: { method: 'get', path: '/api/letters/:letterId', allow: DESK },
  letterSave: { method: 'put', path: '/api/letters/:letterId', allow: DESK },
  letterRedraft: { method: 'post', path: '/api/letters/:letterId/redraft', allow: DESK },
  letterSend: { method: 'post', path: '/api/letters/:letterId/send', allow: DESK },
  questionsRead: { method: 'get', path: '/api/builds/:buildId/questions', allow: DESK },
  questionAnswer: { method: 'post', path: '/api/questions/:questionId/answer', allow: DESK },
  linkRenew: { method: 'post', path: '/api/builds/:buildId/link', allow: DESK },
  linkRevoke: { method: 'delete', path: '/api/builds/:buildId/link', allow: DESK },
  photosList: { method: 'get', path: '/api/builds/:buildId/photos', allow: EVERYBODY },
  photoUpload: {
    method: 'put',
    path: '/api/builds/:buildId/entries/:entryId/photos/:photoId',
    allow: EVERYBODY,
  },
  photoSave: { method: 'put', path: '/api/photos/:photoId', allow: EVERYBODY },
  photoRemove: { method: 'delete', path: '/api/photos/:photoId', allow: EVERYBODY },
  photoFile: { method: 'get', path: '/api/photos/:photoId/:size', allow: EVERYBODY },
  /** A picture as it was sent to the customer. */
  pictureFile: { method: 'get', path: '/api/builds/:buildId/pictures/:hash', allow: DESK },
  vehicleRead: { method: 'get', path: '/api/builds/:buildId/vehicle', allow: EVERYBODY },
  identitySave: { method: 'put', path: '/api/builds/:buildId/vehicle', allow: EVERYBODY },
  registerRowPut: { method: 'put', path: '/api/builds/:buildId/vehicle/:register/:rowId', allow: EVERYBODY },
  registerRowDrop: {
    method: 'delete',
    path: '/api/builds/:buildId/vehicle/:register/:rowId',
    allow: EVERYBODY,
  },
  inspectionRead: { method: 'get', path: '/api/builds/:buildId/inspection', allow: EVERYBODY },
  inspectionMark: { method: 'post', path: '/api/builds/:buildId/inspection', allow: EVERYBODY },
  fittedSave: { method: 'put', path: '/api/builds/:buildId/fitted', allow: EVERYBODY },
  symptomsRead: { method: 'get', path: '/api/builds/:buildId/symptoms', allow: EVERYBODY },
  symptomPut: { method: 'put', path: '/api/builds/:buildId/symptoms/:symptomId', allow: EVERYBODY },
  symptomEntryPut: {
    method: 'put',
    path: '/api/builds/:buildId/symptoms/:symptomId/entries/:entryId',
    allow: EVERYBODY,
  },
  snagsRead: { method: 'get', path: '/api/builds/:buildId/snags', allow: EVERYBODY },
  snagPut: { method: 'put', path: '/api/builds/:buildId/snags/:snagId', allow: EVERYBODY },
  snagEnd: { method: 'post', path: '/api/builds/:buildId/snags/:snagId/end', allow: EVERYBODY },
  trialPut: { method: 'put', path: '/api/builds/:buildId/trials/:entryId', allow: EVERYBODY },
  workRead: { method: 'get', path: '/api/builds/:buildId/work', allow: EVERYBODY },
  walkRead: { method: 'get', path: '/api/walk', allow: EVERYBODY },
  walkSeen: { method: 'put', path: '/api/walks/:walkId/cars/:buildId', allow: EVERYBODY },
  walkEnd: { method: 'post', path: '/api/walks/:walkId/end', allow: EVERYBODY },
  planRead: { method: 'get', path: '/api/plan', allow: EVERYBODY },
  pinnedSet: { method: 'put', path: '/api/builds/:buildId/pinned', allow: EVERYBODY },
  partsDesk: { method: 'get', path: '/api/parts', allow: EVERYBODY },
  partsRead: { method: 'get', path: '/api/builds/:buildId/parts', allow: EVERYBODY },
  partPut: { method: 'put', path: '/api/builds/:buildId/parts/:partId', allow: EVERYBODY },
  partsCsv: { method: 'get', path: '/api/parts/csv', allow: DESK },
  partsImport: { method: 'post', path: '/api/builds/:buildId/parts/import', allow: DESK },
  donorsRead: { method: 'get', path: '/api/donors', allow: EVERYBODY },
  donorPut: { method: 'put', path: '/api/donors/:donorId', allow: EVERYBODY },
  partAct: { method: 'post', path: '/api/builds/:buildId/parts/:partId/act', allow: EVERYBODY },
  outworkRead: { method: 'get', path: '/api/outwork', allow: EVERYBODY },
  piecesRead: { method: 'get', path: '/api/builds/:buildId/pieces', allow: EVERYBODY },
  piecePut: { method: 'put', path: '/api/builds/:buildId/pieces/:pieceId', allow: EVERYBODY },
  pieceAct: { method: 'post', path: '/api/builds/:buildId/pieces/:pieceId/act', allow: EVERYBODY },
  pieceStand: { method: 'put', path: '/api/builds/:buildId/pieces/:pieceId/place', allow: EVERYBODY },
  pieceToPart: { method: 'post', path: '/api/builds/:buildId/pieces/:pieceId/part', allow: EVERYBODY },
  batchPut: { method: 'put', path: '/api/batches/:batchId', allow: EVERYBODY },
  batchDrop: { method: 'delete', path: '/api/batches/:batchId', allow: EVERYBODY },
  batchSend: { method: 'post', path: '/api/batches/:batchId/send', allow: EVERYBODY },
  batchBack: { method: 'post', path: '/api/batches/:batchId/back', allow: EVERYBODY },
  batchPdf: { method: 'get', path: '/api/batches/:batchId/pdf', allow: EVERYBODY },
  labelsPdf: { method: 'get', path: '/api/labels/pdf', allow: EVERYBODY },
  codeFind: { method: 'get', path: '/api/codes/:code', allow: EVERYBODY },
  costsDesk: { method: 'get', path: '/api/costs', allow: DESK },
  costsRead: { method: 'get', path: '/api/builds/:buildId/costs', allow: DESK },
  instalmentPut: { method: 'put', path: '/api/builds/:buildId/instalments/:instalmentId', allow: DESK },
  instalmentPaid: {
    method: 'post',
    path: '/api/builds/:buildId/instalments/:instalmentId/received',
    allow: DESK,
  },
  instalmentDrop: { method: 'delete', path: '/api/builds/:buildId/instalments/:instalmentId', allow: DESK },
  invoicesRead: { method: 'get', path: '/api/invoices', allow: DESK },
  invoicePut: { method: 'put', path: '/api/invoices/:invoiceId', allow: DESK },
  ratesRead: { method: 'get', path: '/api/shop/rates', allow: ['owner'] },
  ratePut: { method: 'put', path: '/api/shop/rates/:rateId', allow: ['owner'] },
  rateDrop: { method: 'delete', path: '/api/shop/rates/:rateId', allow: ['owner'] },
  absencePut: { method: 'put', path: '/api/shop/absences/:absenceId', allow: DESK },
  waitsRead: { method: 'get', path: '/api/waits', allow: EVERYBODY },
  workRunning: { method: 'get', path: '/api/work/running', allow: EVERYBODY },
  taskPut: { method: 'put', path: '/api/builds/:buildId/tasks/:taskId', allow: EVERYBODY },
  taskStart: { method: 'post', path: '/api/builds/:buildId/tasks/:taskId/start', allow: EVERYBODY },
  taskHours: { method: 'post', path: '/api/builds/:buildId/tasks/:taskId/hours', allow: EVERYBODY },
  taskAct: { method: 'post', path: '/api/builds/:buildId/tasks/:taskId/act', allow: EVERYBODY },
  taskCount: { method: 'put', path: '/api/builds/:buildId/tasks/:taskId/count', allow: EVERYBODY },
  spellStop: { method: 'post', path: '/api/builds/:buildId/spells/:spellId/stop', allow: EVERYBODY },
  entryBelongs: { method: 'put', path: '/api/builds/:buildId/entries/:entryId/belongs', allow: EVERYBODY },
  hoursRead: { method: 'get', path: '/api/hours', allow: EVERYBODY },
  shopHoursPut: { method: 'put', path: '/api/hours/:hoursId', allow: EVERYBODY },
  followUpDone: { method: 'post', path: '/api/builds/:buildId/follow-ups/:followUpId', allow: EVERYBODY },
  playbookUse: { method: 'post', path: '/api/builds/:buildId/playbooks', allow: EVERYBODY },
  playbooksRead: { method: 'get', path: '/api/shop/playbooks', allow: EVERYBODY },
  playbookRead: { method: 'get', path: '/api/shop/playbooks/:playbook', allow: EVERYBODY },
  playbookPut: { method: 'put', path: '/api/shop/playbooks/:playbook', allow: ['owner'] },
  rulesRead: { method: 'get', path: '/api/shop/rules', allow: EVERYBODY },
  ruleSave: { method: 'put', path: '/api/shop/rules/:rule', allow: ['owner'] },
  proposalsRead: { method: 'get', path: '/api/builds/:buildId/proposals', allow: EVERYBODY },
  pastSave: { method: 'put', path: '/api/builds/:buildId/past', allow: EVERYBODY },
  proposalsSettle: { method: 'post', path: '/api/builds/:buildId/proposals', allow: EVERYBODY },
  estimateRead: { method: 'get', path: '/api/builds/:buildId/estimate', allow: DESK },
  estimateLinePut: { method: 'put', path: '/api/builds/:buildId/estimate/lines/:lineId', allow: DESK },
  estimateLineDrop: { method: 'delete', path: '/api/builds/:buildId/estimate/lines/:lineId', allow: DESK },
  choicePut: { method: 'put', path: '/api/builds/:buildId/estimate/choices/:choiceId', allow: DESK },
  choiceSettle: {
    method: 'post',
    path: '/api/builds/:buildId/estimate/choices/:choiceId/settled',
    allow: DESK,
  },
  estimateImport: { method: 'post', path: '/api/builds/:buildId/estimate/import', allow: DESK },
  estimateCsv: { method: 'get', path: '/api/builds/:buildId/estimate/csv', allow: DESK },
  estimateJson: { method: 'get', path: '/api/builds/:buildId/estimate/json', allow: DESK },
  estimatePdf: { method: 'get', path: '/api/builds/:buildId/estimate/pdf', allow: DESK },
  revisionPdf: { method: 'get', path: '/api/builds/:buildId/revisions/:revisionId/pdf', allow: DESK },
  openingSet: { method: 'put', path: '/api/builds/:buildId/estimate/openings', allow: DESK },
  estimatePropose: { method: 'put', path: '/api/builds/:buildId/estimate/proposals', allow: DESK },
  estimateLineBegin: {
    method: 'post',
    path: '/api/builds/:buildId/estimate/lines/:lineId/begin',
    allow: DESK,
  },
  revisionSend: { method: 'post', path: '/api/builds/:buildId/revisions', allow: DESK },
  answerTake: { method: 'post', path: '/api/builds/:buildId/revisions/:revisionId/answers', allow: DESK },
  termsRead: { method: 'get', path: '/api/shop/terms', allow: DESK },
  termsSave: { method: 'put', path: '/api/shop/terms', allow: ['owner'] },
  outboxList: { method: 'get', path: '/api/outbox', allow: DESK },
  /** The customer's page: who has the link may read. */
  letterPage: { method: 'get', path: '/l/:token', allow: 'anyone' },
  linkBook: { method: 'get', path: '/l/:token/book/:bookFile', allow: 'anyone' },
  letterPicture: { method: 'get', path: '/l/:token/photos/:hash', allow: 'anyone' },
  questionAsk: { method: 'post', path: '/l/:token/questions', allow: 'anyone' },
  estimatePage: { method: 'get', path: '/l/:token/estimate', allow: 'anyone' },
  estimateAnswer: { method: 'post', path: '/l/:token/estimate', allow: 'anyone' },
  estimateCode: { method: 'post', path: '/l/:token/estimate/code', allow: 'anyone' },
} as const satisfies Record<string, RouteSpec>;

export type RouteName = keyof typeof ROUTES;

/** The address of a route with its parameters filled in. */
export function pathOf(name: RouteName, params: Record<string, string> = {}): string {
  return ROUTES[name].path.replace(/:(\w+)/g, (_, key: string) => {
    const value = params[key];
    if (value === undefined) throw new Error(`${name} needs ${key}`);
    return encodeURIComponent(value);
  });
}

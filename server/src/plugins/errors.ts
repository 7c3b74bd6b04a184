import { ERROR_CODES, errorOf, type ErrorCode, type ErrorDetail } from '@morning-crock/core/contract';
import type { FastifyError } from 'fastify';
import fp from 'fastify-plugin';
import { hasZodFastifySchemaValidationErrors } from 'fastify-type-provider-zod';

/** An error that crosses the border: a code of the table, with details beside fields. */
export class AppError extends Error {
  constructor(
    readonly code: ErrorCode,
    readonly details: readonly ErrorDetail[] = [],
  ) {
    super(ERROR_CODES[code].message);
  }
}

const codeOf = (error: unknown): string =>
  typeof error === 'object' && error !== null && 'code' in error ? String(error.code) : '';

const AWAY = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'PROTOCOL_CONNECTION_LOST',
  'ETIMEDOUT',
  'ER_SERVER_SHUTDOWN',
  'ER_CONNECTION_KILLED',
  'ER_LOCK_WAIT_TIMEOUT',
  'EPIPE',
]);
/** What the driver says of a connection that broke before it was asked: it gives it no code. */
const BROKE = /closed state|pool is closed|connection lost/i;

/** Whether an error says that the database cannot be reached just now. */
const isAway = (error: unknown): boolean =>
  AWAY.has(codeOf(error)) || (error instanceof Error && BROKE.test(error.message));

const FULL = new Set(['ENOSPC', 'ER_RECORD_FILE_FULL', 'ER_DISK_FULL', 'EDQUOT']);
const READ_ONLY = new Set([
  'ER_OPTION_PREVENTS_STATEMENT',
  'ER_READ_ONLY_MODE',
  'ER_INNODB_READ_ONLY',
  'ER_CANT_EXECUTE_IN_READ_ONLY_TRANSACTION',
  'ER_OPEN_AS_READONLY',
  'EROFS',
]);

/** What is said of a request that could not be read, by what the web server calls it: never in its own words. */
const UNREADABLE: Readonly<Record<string, string>> = {
  FST_ERR_CTP_INVALID_MEDIA_TYPE: 'is not JSON: send it with content-type application/json',
  FST_ERR_CTP_EMPTY_JSON_BODY: 'is empty',
  FST_ERR_CTP_INVALID_JSON_BODY: 'is not valid JSON',
  FST_ERR_CTP_INVALID_CONTENT_LENGTH: 'is not as long as it says',
};

interface Told {
  readonly code: ErrorCode;
  readonly details: readonly ErrorDetail[];
}

/** What is said of an error. */
export function toldOf(error: FastifyError | AppError): Told {
  if (error instanceof AppError) return error;
  if (hasZodFastifySchemaValidationErrors(error)) {
    const details = error.validation.map((issue) => ({
      path: issue.instancePath.replace(/^\//, '').replaceAll('/', '.'),
      message: issue.message ?? 'is not right',
    }));
    return { code: 'bad-input', details };
  }
  if (FULL.has(codeOf(error))) return { code: 'disk-full', details: [] };
  if (READ_ONLY.has(codeOf(error))) return { code: 'read-only', details: [] };
  if (isAway(error)) return { code: 'database-away', details: [] };
  if (error.statusCode === 413) return { code: 'too-large', details: [] };
  if (error.statusCode !== undefined && error.statusCode < 500) {
    const message = UNREADABLE[error.code] ?? 'could not be read: check the request';
    return { code: 'bad-input', details: [{ path: '', message }] };
  }
  return { code: 'internal', details: [] };
}

/** Turns every error into a body of the table. */
export const errorsPlugin = fp(
  (app, _options, done) => {
    app.setErrorHandler((error: FastifyError | AppError, request, reply) => {
      const { code, details } = toldOf(error);
      if (code === 'database-away' && !reply.sent && app.answerAsKnown(request, reply)) return;
      if (code === 'internal') request.log.error({ err: error, url: request.url, method: request.method });
      // What is still on its way of a request that was refused is not waited for.
      if (code === 'code-needed' || code === 'not-allowed-here' || code === 'too-large')
        void reply.header('connection', 'close');
      void reply.status(ERROR_CODES[code].status).send(errorOf(code, details));
    });
    done();
  },
  { name: 'errors' },
);

import { CoreError, type ErrorCode } from '@core/ground/errors';
import { idSchema } from '@core/ground/fields';
import { asCoreError, forLog } from '@data/databaseError';
import { FOREIGN, isOwnPage } from '@server/hosts';

const STATUS: Partial<Record<ErrorCode, number>> = {
  not_found: 404,
  stale: 409,
  conflict: 409,
  duplicate: 409,
  too_large: 413,
  cancelled: 499,
  busy: 503,
  no_room: 507,
  silent: 503,
};

/** After so many seconds a request that met a busy database may come again. */
const RETRY_AFTER_S = 1;

/** The answer to a refusal of the core. */
export function refused(error: CoreError, more: Record<string, unknown> = {}): Response {
  return Response.json(
    { error: error.toJSON(), ...more },
    { status: STATUS[error.code] ?? 400, headers: error.code === 'busy' ? { 'retry-after': String(RETRY_AFTER_S) } : {} },
  );
}

/**
 * An error as one of the core's. What is a fault of ours is logged without what somebody typed, and kept inside.
 */
export function asRefusal(error: unknown): { error: CoreError; ours: boolean } {
  const known = asCoreError(error);
  if (known) return { error: known, ours: false };
  console.error(forLog(error));
  return {
    error: new CoreError(
      'malformed',
      'Something went wrong inside Glow Den; nothing was changed.',
      {},
      'Try again. If it happens again, look into the log (.den/app.log).',
    ),
    ours: true,
  };
}

/** Runs a handler; refusals become JSON with a fitting status. */
export async function handle(request: Request, run: () => Promise<Response>): Promise<Response> {
  if (!isOwnPage(request.headers)) return refused(new CoreError('bad_input', FOREIGN.message, {}, FOREIGN.hint));
  try {
    return await run();
  } catch (caught) {
    const { error, ours } = asRefusal(caught);
    return ours ? Response.json({ error: error.toJSON() }, { status: 500 }) : refused(error);
  }
}

/** An id from a route. @throws CoreError `not_found` */
export function requireId(text: string): string {
  const checked = idSchema.safeParse(text);
  if (!checked.success)
    throw new CoreError(
      'not_found',
      'This address does not exist.',
      { value: text.slice(0, 60) },
      'Go back to the list of visits.',
    );
  return checked.data;
}

/** How bytes are answered that are known by their hash. An address that names a version never changes; any other is asked for again each time. */
function cacheHeaders(etag: string, request: Request, headers: Record<string, string>): Record<string, string> {
  const versioned = ['v', 'turn'].some((name) => new URL(request.url).searchParams.has(name));
  return { etag, 'cache-control': versioned ? 'private, max-age=31536000, immutable' : 'private, no-cache', ...headers };
}

/**
 * Bytes by their hash.
 *
 * @param load - asked only when the browser does not have them yet
 */
export async function immutable(
  load: () => Promise<Uint8Array>,
  mediaType: string,
  sha: string,
  request: Request,
  headers: Record<string, string> = {},
): Promise<Response> {
  const etag = `"${sha}"`;
  const common = cacheHeaders(etag, request, headers);
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: common });
  return new Response((await load()) as Uint8Array<ArrayBuffer>, { headers: { 'content-type': mediaType, ...common } });
}

/** A file's name for a download, whatever people called it. */
export function attachment(fileName: string): Record<string, string> {
  const plain = fileName.replace(/[^\w.-]+/g, '_');
  return {
    'content-disposition': `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(fileName.toWellFormed())}`,
  };
}

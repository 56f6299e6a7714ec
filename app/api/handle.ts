import { CoreError, type ErrorCode } from '@core/errors';
import { idSchema } from '@core/visit/fields';

const STATUS: Partial<Record<ErrorCode, number>> = {
  not_found: 404,
  stale: 409,
  conflict: 409,
  too_large: 413,
  cancelled: 499,
};

const LOOPBACK = /^(127\.0\.0\.1|localhost|\[::1\])(:\d+)?$/;

/**
 * Pages of other sites that are open in the same browser may send requests to loopback, and a foreign name may be made
 * to resolve to it. Neither reaches a handler.
 */
function requireOwnPage(request: Request): void {
  const host = request.headers.get('host') ?? '';
  const origin = request.headers.get('origin');
  const site = request.headers.get('sec-fetch-site');
  const foreign =
    (origin !== null && origin !== `http://${host}`) || (site !== null && site !== 'same-origin' && site !== 'none');
  if (!LOOPBACK.test(host) || foreign) {
    throw new CoreError(
      'bad_input',
      'This request did not come from a page of Glow Den.',
      {},
      'Open Glow Den by its own address.',
    );
  }
}

/** Runs a handler; refusals of the core become JSON with a fitting status, everything else is logged and kept inside. */
export async function handle(request: Request, run: () => Promise<Response>): Promise<Response> {
  try {
    requireOwnPage(request);
    return await run();
  } catch (error) {
    if (error instanceof CoreError) {
      return Response.json({ error: error.toJSON() }, { status: STATUS[error.code] ?? 400 });
    }
    console.error(error);
    const hidden = new CoreError(
      'malformed',
      'Something went wrong inside Glow Den; nothing was changed.',
      {},
      'Try again. If it happens again, look into the log (.den/app.log).',
    );
    return Response.json({ error: hidden.toJSON() }, { status: 500 });
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

/** Bytes by their hash. An address that names a version never changes; any other is asked for again each time. */
export function immutable(
  bytes: Uint8Array,
  mediaType: string,
  sha: string,
  request: Request,
  headers: Record<string, string> = {},
): Response {
  const etag = `"${sha}"`;
  const versioned = ['v', 'turn'].some((name) => new URL(request.url).searchParams.has(name));
  const common = {
    etag,
    'cache-control': versioned ? 'private, max-age=31536000, immutable' : 'private, no-cache',
    ...headers,
  };
  if (request.headers.get('if-none-match') === etag) return new Response(null, { status: 304, headers: common });
  return new Response(bytes as Uint8Array<ArrayBuffer>, { headers: { 'content-type': mediaType, ...common } });
}

/** A file's name for a download, whatever people called it. */
export function attachment(fileName: string): Record<string, string> {
  const plain = fileName.replace(/[^\w.-]+/g, '_');
  return { 'content-disposition': `attachment; filename="${plain}"; filename*=UTF-8''${encodeURIComponent(fileName)}` };
}

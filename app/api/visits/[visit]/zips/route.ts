import { MAX_ZIP_BYTES } from '@core/work/visit/limits';
import { asking } from '@server/asking';
import { requireVisit } from '@data/queries/files';
import { importZip, type ZipLine } from '@server/importZip';
import { fileQuerySchema, takenFor } from '../../../fileQuery';
import { asRefusal, handle, requireId } from '../../../handle';
import { bodyToDisk, requireQuery } from '../../../readBody';

/** Takes a ZIP of files: its bytes go to the disk first, then its files are told of one by one, a line of JSON each. */
export async function POST(request: Request, context: { params: Promise<{ visit: string }> }): Promise<Response> {
  return handle(request, async () => {
    const visitId = requireId((await context.params).visit);
    const { name: _name, taken: _taken, ...place } = requireQuery(request, fileQuerySchema);
    await requireVisit(asking(), visitId);
    const zipFile = await bodyToDisk(request, MAX_ZIP_BYTES, 'a ZIP');
    const abort = new AbortController();
    request.signal.addEventListener('abort', () => abort.abort(), { once: true });
    const lines = importZip(asking(), visitId, zipFile, takenFor(place), abort.signal);
    // The first line comes, or a refusal of the whole ZIP, before anything is answered.
    const first = await lines.next();
    const text = (line: ZipLine) => new TextEncoder().encode(`${JSON.stringify(line)}\n`);
    const body = new ReadableStream<Uint8Array>({
      start(controller) {
        if (!first.done) controller.enqueue(text(first.value));
      },
      async pull(controller) {
        try {
          const { done, value } = await lines.next();
          if (done) controller.close();
          else controller.enqueue(text(value));
        } catch (caught) {
          const { error } = asRefusal(caught);
          controller.error(error);
        }
      },
      async cancel() {
        abort.abort();
        await lines.return(undefined);
      },
    });
    return new Response(body, {
      headers: { 'content-type': 'application/x-ndjson; charset=utf-8', 'cache-control': 'no-store' },
    });
  });
}

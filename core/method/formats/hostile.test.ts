import fc from 'fast-check';
import { CoreError } from '../../ground/errors';
import { errorOf, interchangeFile, manifest, testCodecs } from '../../testing/material';
import { crc32, isPng } from './png/chunks';
import { readFrame } from './readFrame';

/** As many mutated files as each reader has to survive. */
const FILES = 10_000;

interface Mutation {
  source: number;
  cut: number;
  edits: [at: number, byte: number][];
}

const mutation = fc.record<Mutation>({
  source: fc.nat(),
  // Mostly whole files; some cut off anywhere.
  cut: fc.oneof({ weight: 3, arbitrary: fc.constant(1) }, { weight: 1, arbitrary: fc.double({ min: 0, max: 1, noNaN: true }) }),
  edits: fc.array(fc.tuple(fc.nat(), fc.nat(255)), { maxLength: 6 }),
});

/** Damages a good file; edits fall into its first bytes as often as anywhere, because that is where headers are. */
function damaged(files: Uint8Array[], { source, cut, edits }: Mutation): Uint8Array {
  const file = files[source % files.length]!;
  const bytes = file.slice(0, Math.round(file.length * cut));
  for (const [i, [at, byte]] of edits.entries()) {
    if (bytes.length > 0) bytes[at % (i % 2 === 0 ? Math.min(400, bytes.length) : bytes.length)] = byte;
  }
  // Checksums would stop most damage at the door; every other PNG gets new ones, so that what lies behind is tried too.
  if (isPng(bytes) && edits.length % 2 === 0) mendChecksums(bytes);
  return bytes;
}

function mendChecksums(bytes: Uint8Array): void {
  const view = new DataView(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  for (let at = 8; at + 12 <= bytes.length;) {
    const end = at + 8 + view.getUint32(at);
    if (end + 4 > bytes.length) return;
    view.setUint32(end, crc32(bytes, at + 4, end));
    at = end + 4;
  }
}

function endsWell(bytes: Uint8Array): void {
  try {
    const frame = readFrame(bytes, testCodecs);
    expect(frame.values).toHaveLength(frame.width * frame.height);
    for (const value of frame.values) if (!(value >= -150 && value <= 2000)) throw new Error(`A frame holds ${value} °C`);
  } catch (error) {
    if (!(error instanceof CoreError)) throw error;
    expect(error.message.length).toBeGreaterThan(10);
  }
}

describe.each(['tiff', 'csv', 'npy', 'png16'])('%s files that somebody damaged', (kind) => {
  const names = Object.keys(manifest).filter((name) => name.startsWith(`${kind}-`));
  const files = names.map(interchangeFile);

  test('there is something to damage', () => expect(files.length).toBeGreaterThan(1));

  test(`${FILES} of them end in a frame or a refusal`, () => {
    fc.assert(
      fc.property(mutation, (change) => endsWell(damaged(files, change))),
      { numRuns: FILES, seed: 20260211, endOnFailure: true },
    );
  }, 240_000);
});

test('bytes that mean nothing at all end in a refusal', () => {
  fc.assert(
    fc.property(fc.uint8Array({ maxLength: 600 }), (bytes) => endsWell(bytes)),
    { numRuns: 2000, seed: 7 },
  );
});

test.each([
  [0x49, 0x49, 43, 0],
  [0x4d, 0x4d, 0, 43],
])('BigTIFF is refused by its name (%i)', (...mark) => {
  const bytes = Uint8Array.from([...mark, ...new Array<number>(60).fill(0)]);
  expect(errorOf(() => readFrame(bytes, testCodecs))).toMatchObject({
    code: 'unsupported',
    message: expect.stringContaining('BigTIFF'),
  });
});

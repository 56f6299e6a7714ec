import { readFileSync } from 'node:fs';
import { NO_CORRECTION } from '@core/work/camera/correction';
import { CoreError } from '@core/ground/errors';
import { decodePages, type DecodedFrame } from './decode';
import { cancelJob, jobResult, jobState, startJob } from './jobs';

const file = (name: string) => new Uint8Array(readFileSync(`core/testing/interchange/${name}`));

describe('decoding a file for the database', () => {
  test('gives pixels as little-endian float32, a thumbnail and what never changes', () => {
    const [decoded] = [...decodePages({ bytes: file('tiff-u16ck-le-plain.tif'), correction: NO_CORRECTION })] as [DecodedFrame];
    expect(decoded).toMatchObject({ width: 80, height: 60, format: 'tiff', sourceUnit: 'cK', basis: { kind: 'apparent' } });
    const view = new DataView(decoded.pixels.buffer, decoded.pixels.byteOffset);
    expect(decoded.pixels).toHaveLength(80 * 60 * 4);
    expect(view.getFloat32(0, true)).toBeCloseTo(3, 2);
    expect(view.getFloat32(79 * 4, true)).toBeCloseTo(8.53, 2);
    expect(decoded.thumb).toMatchObject({ width: 80, height: 60 });
    expect([decoded.minC, decoded.maxC].map((v) => v.toFixed(2))).toEqual(['-3.49', '25.08']);
    expect(decoded.noiseK).toBeGreaterThan(0);
  });

  test('adds the offset of its camera to every pixel', () => {
    const [plain, offset] = [0, 0.7].map(
      (offsetK) => [...decodePages({ bytes: file('tiff-u16ck-le-plain.tif'), correction: { offsetK, slope: 0 } })][0],
    );
    expect(offset!.meanC - plain!.meanC).toBeCloseTo(0.7, 4);
    expect(offset!.noiseK).toBeCloseTo(plain!.noiseK, 3);
  });

  test('refuses as the reader does', () =>
    expect(() => [...decodePages({ bytes: file('bad-nan.tif'), correction: NO_CORRECTION })]).toThrow(CoreError));
});

describe('long tasks', () => {
  const settled = async (id: string) => {
    while (jobState(id).state === 'running') await new Promise((resolve) => setTimeout(resolve, 5));
    return jobState(id);
  };
  const result = { bytes: Uint8Array.of(1, 2, 3), fileName: 'a.pdf', type: 'application/pdf' as const };

  test('tell how far they are and keep what they made', async () => {
    let finish = () => undefined as void;
    const id = startJob(async (_signal, onProgress) => {
      onProgress(1, 4);
      await new Promise<void>((resolve) => (finish = resolve));
      return result;
    });
    expect(jobState(id)).toEqual({ state: 'running', done: 1, total: 4, error: null });
    expect(() => jobResult(id)).toThrow('not there yet');
    finish();
    expect(await settled(id)).toMatchObject({ state: 'done', done: 4 });
    expect(jobResult(id)).toEqual(result);
  });

  test('can be cancelled', async () => {
    const id = startJob(
      (signal) =>
        new Promise((_resolve, reject) => {
          signal.addEventListener('abort', () => reject(new CoreError('cancelled', 'Cancelled.')));
        }),
    );
    cancelJob(id);
    expect(await settled(id)).toMatchObject({ state: 'refused', error: { code: 'cancelled' } });
  });

  test('an error of ours is logged and not shown', async () => {
    const log = jest.spyOn(console, 'error').mockImplementation(() => undefined);
    const id = startJob(async () => {
      throw new Error('secret path /home/x');
    });
    const state = await settled(id);
    expect(JSON.stringify(state)).not.toContain('secret');
    expect(state.error!.message).toContain('failed inside Glow Den');
    expect(log).toHaveBeenCalled();
    log.mockRestore();
  });

  test('an unknown one is over', () => expect(() => jobState('nothing')).toThrow(CoreError));
});

import { newCamera } from '../model/newCamera';
import { ID, visitDocument } from '../testing/visit';
import { cameraIdOfFrame } from '../work/visit/frames';
import { cameraErrorsFor } from '../work/visit/settingsInForce';
import { USUAL_CAMERA } from '../method/radiometry/uncertainty';
import { cameraFact } from './cameraFact';

/** A visit whose frames name no camera. */
function nameless() {
  const document = visitDocument();
  for (const facts of Object.values(document.frameFacts)) facts.cameraId = null;
  return document;
}

describe('which camera took the frames', () => {
  test('is not noted while nobody said, and no camera lends its errors', () => {
    const document = nameless();
    expect(cameraFact(document)).toBe('not noted: usual ± taken');
    expect(cameraErrorsFor(document, ID.frame)).toMatchObject({
      camera: `camera of frame ${ID.frame}`,
      calibration: USUAL_CAMERA.calibration,
    });
  });

  test('naming the visit’s camera reaches all frames that named none', () => {
    const document = nameless();
    document.rows.visit[ID.visit]!.value.cameraId = ID.camera;
    expect(cameraIdOfFrame(document, ID.frame)).toBe(ID.camera);
    expect(cameraErrorsFor(document, ID.frame).camera).toBe(`camera ${ID.camera}`);
    expect(cameraFact(document)).toBe('Row camera');
  });

  test('a frame that names its camera keeps it', () => {
    const document = visitDocument();
    document.rows.visit[ID.visit]!.value.cameraId = ID.room;
    expect(cameraIdOfFrame(document, ID.frame)).toBe(ID.camera);
  });

  test('of a camera of which two things were said the rest is named as assumed', () => {
    const document = nameless();
    document.rows.visit[ID.visit]!.value.cameraId = ID.camera;
    document.rows.camera[ID.camera]!.value = newCamera('Grey one', { width: 160, height: 120 }, 42);
    expect(document.rows.camera[ID.camera]!.value).toMatchObject({ columns: 160, rows: 120, fieldDeg: 42 });
    expect(cameraFact(document)).toMatch(/^Grey one \(assumed, as usual: noise, calibration, uniformity, .*nearest distance\)$/);
  });

  test('without frames there is none', () => {
    const document = nameless();
    for (const { value } of Object.values(document.rows.frame)) value.discarded = true;
    expect(cameraFact(document)).toBe('no frames');
  });
});

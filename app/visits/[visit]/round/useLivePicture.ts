'use client';

import { useCallback, useEffect, useState } from 'react';

interface Device {
  id: string;
  name: string;
}

const message = (error: unknown): string => {
  const name = error instanceof Error ? error.name : '';
  if (name === 'NotAllowedError')
    return 'The browser was not allowed to use a camera. Allow it beside the address, then try again.';
  if (name === 'NotFoundError') return 'No video device was found. Plug the camera in as a video device, then try again.';
  return 'The video device gives no picture. Unplug it, plug it in again, then try again.';
};

/** A live picture of any video device that the browser offers. It holds colours, no temperatures. */
export function useLivePicture() {
  const [stream, setStream] = useState<MediaStream | null>(null);
  const [devices, setDevices] = useState<Device[]>([]);
  const [problem, setProblem] = useState<string | null>(null);

  const end = useCallback(() => setStream(null), []);
  useEffect(() => {
    if (!stream) return;
    const gone = () => {
      setStream(null);
      setProblem('The video device was unplugged. What was kept is there; plug it in and begin again.');
    };
    const tracks = stream.getVideoTracks();
    for (const track of tracks) track.addEventListener('ended', gone);
    return () => {
      for (const track of tracks) {
        track.removeEventListener('ended', gone);
        track.stop();
      }
    };
  }, [stream]);

  const begin = useCallback(async (deviceId?: string) => {
    setProblem(null);
    try {
      const video = deviceId ? { deviceId: { exact: deviceId } } : true;
      if (!navigator.mediaDevices) throw new DOMException('', 'NotFoundError');
      setStream(await navigator.mediaDevices.getUserMedia({ video }));
      // Names are told only after somebody allowed it.
      const all = await navigator.mediaDevices.enumerateDevices();
      setDevices(
        all
          .filter(({ kind }) => kind === 'videoinput')
          .map(({ deviceId: id, label }, i) => ({ id, name: label || `Video device ${i + 1}` })),
      );
    } catch (error) {
      setStream(null);
      setProblem(message(error));
    }
  }, []);
  return { stream, devices, problem, begin, end };
}

'use client';

import { App, Button } from 'antd';
import { useEffect, useRef, useState, type ReactNode } from 'react';
import { v7 as newId } from 'uuid';
import { RECORDING_TYPES } from '@core/work/round/recording';
import { patientFetch } from '@ui/server/reachable';
import { useVisit } from '@ui/visit/VisitProvider';

/** Speaks a note where the browser can record: one tap begins, one ends. */
export function SpeakButton({ stopKey, icon }: { stopKey: string; icon: ReactNode }) {
  const { document, refresh } = useVisit();
  const { message } = App.useApp();
  const [recorder, setRecorder] = useState<MediaRecorder | null>(null);
  const latest = useRef<MediaRecorder | null>(null);
  useEffect(() => {
    latest.current = recorder;
  }, [recorder]);
  // Going on to the next stop ends the note; what was said is kept.
  useEffect(() => () => latest.current?.stop(), []);

  const begin = async () => {
    const stream = await navigator.mediaDevices?.getUserMedia({ audio: true }).catch(() => null);
    const type = RECORDING_TYPES.find((one) => typeof MediaRecorder !== 'undefined' && MediaRecorder.isTypeSupported(one));
    if (!stream || !type) {
      void message.warning('This browser gives no microphone here. Type the note instead.', 5);
      return;
    }
    const made = new MediaRecorder(stream, { mimeType: type });
    const parts: Blob[] = [];
    const begun = Date.now();
    made.ondataavailable = (event) => parts.push(event.data);
    made.onstop = async () => {
      for (const track of stream.getTracks()) track.stop();
      setRecorder(null);
      const query = new URLSearchParams({ id: newId(), stop: stopKey, type, seconds: String((Date.now() - begun) / 1000) });
      const response = await patientFetch(`/api/visits/${document.visitId}/recordings?${query}`, {
        method: 'POST',
        body: new Blob(parts),
      }).catch(() => null);
      if (response?.ok) await refresh();
      else void message.error('The note could not be stored. Speak it again, or type it.', 8);
    };
    made.start();
    setRecorder(made);
  };
  return (
    <Button
      icon={icon}
      danger={recorder !== null}
      aria-pressed={recorder !== null}
      onClick={() => (recorder ? recorder.stop() : void begin())}
    >
      {recorder ? 'Stop speaking' : 'Speak'}
    </Button>
  );
}

'use client';

import { HOUR_MS } from '@core/ground/localClock';
import { CloudDownloadOutlined } from '@ant-design/icons';
import { App, Button } from 'antd';
import { useState } from 'react';
import * as z from 'zod';
import { rowIdFrom } from '@core/ground/rowId';
import { weatherSchema } from '@core/method/weather/weather';
import { framesOf, takenAtOf } from '@core/work/visit/frames';
import { onlyRow, visitRow } from '@core/work/visit/theVisit';
import { REMEMBERED_H } from '@core/work/visit/wallHistoryOf';
import { getJson, wordsOf } from '@ui/server/api';
import { useVisit } from '@ui/visit/VisitProvider';

const foundSchema = weatherSchema.extend({ fileName: z.string() });

/** Takes the air outside of the days before the visit from the weather file that its hours were planned with. */
export function WeatherBefore() {
  const { document, edit } = useVisit();
  const { message } = App.useApp();
  const [busy, setBusy] = useState(false);
  const { weatherId } = onlyRow(document, 'plan').value;
  // A made-up forecast is nobody's reading.
  if (weatherId === null) return null;
  const take = async () => {
    setBusy(true);
    try {
      const times = [
        visitRow(document).value.startedAt,
        ...framesOf(document).map(({ id }) => Date.parse(takenAtOf(document, id))),
      ];
      const [from, to] = [Math.min(...times) - (REMEMBERED_H + 1) * HOUR_MS, Math.max(...times) + HOUR_MS];
      const weather = await getJson(`/api/weather/${weatherId}?from=${from}&to=${to}`, foundSchema);
      const entries = weather.hours.map(({ temperatureC }, i) => ({
        at: weather.start + i * HOUR_MS,
        insideC: null,
        outsideC: temperatureC,
        humidityPct: null,
      }));
      if (entries.length === 0) {
        void message.error('The weather file does not cover the days before this visit. Bring one that does, in Hours.', 10);
        return;
      }
      const name = `Weather: ${weather.fileName}`.slice(0, 160);
      const rowId = rowIdFrom(document.visitId, `log of ${weatherId}`);
      edit('Weather of the days before', [
        { entity: 'log', rowId, value: { visitId: document.visitId, roomId: null, name, entries } },
      ]);
    } catch (error) {
      void message.error(wordsOf(error), 10);
    } finally {
      setBusy(false);
    }
  };
  return (
    <Button icon={<CloudDownloadOutlined />} loading={busy} onClick={() => void take()}>
      48 h before, from the weather file
    </Button>
  );
}

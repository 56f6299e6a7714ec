'use client';

import { CloudOutlined, FileTextOutlined, UploadOutlined } from '@ant-design/icons';
import { App, Button, Tag, Tooltip, Upload } from 'antd';
import { useState } from 'react';
import * as z from 'zod';
import { localDay } from '@core/ground/localTime';
import { NIGHTS_ASSUME } from '@core/method/weather/typedNights';
import { postJson, wordsOf } from '@ui/server/api';
import type { FoundWeather } from './useWeather';
import styles from './WeatherSource.module.css';

const HOUR_MS = 3_600_000;

const broughtSchema = z.object({
  weatherId: z.string(),
  start: z.number(),
  count: z.number(),
  warnings: z.array(z.object({ message: z.string() })),
});

export type BroughtWeather = z.infer<typeof broughtSchema>;

/** Where the weather comes from, and the way to bring one's own: CSV or EPW, chosen or dropped on the button. */
export function WeatherSource({
  weather,
  timeZone,
  onBring,
  onForget,
}: {
  weather: FoundWeather | null;
  timeZone: string;
  onBring(brought: BroughtWeather): void;
  onForget(): void;
}) {
  const { message } = App.useApp();
  const [reading, setReading] = useState(false);
  const bring = async (file: File) => {
    setReading(true);
    try {
      const brought = await postJson(`/api/weather?name=${encodeURIComponent(file.name)}`, file, broughtSchema);
      for (const warning of brought.warnings) void message.warning(warning.message, 8);
      onBring(brought);
    } catch (error) {
      void message.error(`${file.name}: ${wordsOf(error)}`, 10);
    }
    setReading(false);
  };
  const day = (time: number) => localDay(time, timeZone);
  const { fileName, covers } = weather ?? {};
  return (
    <div className={styles.source}>
      {fileName && covers ? (
        <Tag
          // A tag that was closed stays hidden for whoever takes its place.
          key={fileName}
          icon={<FileTextOutlined />}
          closable={{ 'aria-label': 'Without this file' }}
          onClose={onForget}
          className={styles.tag}
        >
          {fileName}: {day(covers.start)} to {day(covers.start + (covers.count - 1) * HOUR_MS)}
        </Tag>
      ) : weather?.simulated ? (
        <Tooltip title="Made up on this machine from season, place and chance, the same each time. It says nothing of the real sky.">
          <Tag icon={<CloudOutlined />} tabIndex={0} className={styles.tag}>
            Practice weather, made up
          </Tag>
        </Tooltip>
      ) : (
        <Tag key="none" icon={<CloudOutlined />} className={styles.tag}>
          {weather?.typed ? `Typed nights; ${NIGHTS_ASSUME}` : 'No weather yet'}
        </Tag>
      )}
      {weather?.warnings.map((warning) => (
        <span key={warning.code} className={styles.warning}>
          {warning.message}
        </span>
      ))}
      <Upload.Dragger
        accept=".csv,.tsv,.txt,.epw"
        showUploadList={false}
        hasControlInside
        className={styles.drop}
        beforeUpload={(file) => {
          void bring(file);
          return false;
        }}
      >
        <Button icon={<UploadOutlined />} loading={reading}>
          Weather file
        </Button>
      </Upload.Dragger>
    </div>
  );
}

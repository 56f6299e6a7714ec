'use client';

import { Form, Input, InputNumber, Select } from 'antd';
import type { SiteValue } from '@core/model/siteRow';
import { FacadeCompass } from './FacadeCompass';
import { ZONE_OPTIONS, zoneAt } from './zones';
import styles from './SiteFields.module.css';

export type SiteDraft = Omit<SiteValue, 'archived'>;

export function newSite(): SiteDraft {
  return {
    name: '',
    address: '',
    timeZone: Intl.DateTimeFormat().resolvedOptions().timeZone,
    latitude: null,
    longitude: null,
    facades: [],
  };
}

/** Where a site is and which way it faces. The time zone follows from the place. */
export function SiteFields({
  site,
  onChange,
  problems,
}: {
  site: SiteDraft;
  onChange(site: SiteDraft): void;
  /** What is wrong, by field. */
  problems: Record<string, string>;
}) {
  const place = async (change: Partial<SiteDraft>) => {
    const moved = { ...site, ...change };
    onChange(moved);
    if (moved.latitude === null || moved.longitude === null) return;
    const timeZone = await zoneAt(moved.latitude, moved.longitude);
    if (timeZone) onChange({ ...moved, timeZone });
  };
  const item = (name: keyof SiteDraft) => ({
    validateStatus: problems[name] ? ('error' as const) : undefined,
    help: problems[name],
  });
  return (
    <>
      <div className={styles.two}>
        <Form.Item label="Place" htmlFor="site-name" required {...item('name')}>
          <Input
            id="site-name"
            value={site.name}
            placeholder="Old Kiln Row, No. 3"
            onChange={(event) => onChange({ ...site, name: event.target.value })}
          />
        </Form.Item>
        <Form.Item label="Address" htmlFor="site-address" {...item('address')}>
          <Input
            id="site-address"
            value={site.address}
            onChange={(event) => onChange({ ...site, address: event.target.value })}
          />
        </Form.Item>
      </div>
      <div className={styles.three}>
        <Form.Item label="Latitude" htmlFor="site-latitude" {...item('latitude')}>
          <InputNumber
            id="site-latitude"
            value={site.latitude}
            suffix="° N"
            placeholder="51.20"
            onChange={(latitude) => void place({ latitude })}
          />
        </Form.Item>
        <Form.Item label="Longitude" htmlFor="site-longitude" {...item('longitude')}>
          <InputNumber
            id="site-longitude"
            value={site.longitude}
            suffix="° E"
            placeholder="1.00"
            onChange={(longitude) => void place({ longitude })}
          />
        </Form.Item>
        <Form.Item label="Time zone" htmlFor="site-zone" {...item('timeZone')}>
          <Select
            id="site-zone"
            showSearch
            value={site.timeZone}
            options={ZONE_OPTIONS}
            onChange={(timeZone) => onChange({ ...site, timeZone })}
          />
        </Form.Item>
      </div>
      <p className={styles.hint}>South and west are negative. Two decimals will do: the sun and the forecast need no more.</p>
      <h3 className={styles.heading}>Façades</h3>
      <FacadeCompass facades={site.facades} onChange={(facades) => onChange({ ...site, facades })} />
      {problems.facades && <em role="alert">{problems.facades}</em>}
    </>
  );
}

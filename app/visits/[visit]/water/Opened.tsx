'use client';

import { Button, Input, Select } from 'antd';
import { HYPOTHESES, type Hypothesis } from '@core/model/hypotheses';
import { HYPOTHESIS_WORDS } from '@core/work/water/huntWords';
import { NumberField } from '@ui/form/NumberField';
import * as z from 'zod';
import { useHunt } from './useHunt';
import styles from './Water.module.css';

const metres = z.number().min(0, 'must not be negative').max(100, 'must not exceed 100 m').nullable();
const depth = z.number().min(0, 'must not be negative').max(2000, 'must not exceed 2000 mm').nullable();

/** The mark from two fixed edges, and what was found when it was opened. */
export function Opened() {
  const { hunt, put } = useHunt();
  const mark = hunt.mark ?? { fromA: 'left wall', aM: null, fromB: 'far wall', bM: null };
  const { found } = hunt;
  return (
    <section aria-label="Mark and what was found">
      <h2>Mark it from two fixed edges</h2>
      <div className={styles.fields}>
        <label className={styles.field}>
          <span>From</span>
          <Input
            aria-label="First edge"
            key={mark.fromA}
            defaultValue={mark.fromA}
            maxLength={80}
            onBlur={(event) =>
              event.target.value.trim() &&
              event.target.value !== mark.fromA &&
              put('Mark', { mark: { ...mark, fromA: event.target.value.trim() } })
            }
          />
        </label>
        <NumberField
          label="Away from it"
          suffix="m"
          step={0.01}
          value={mark.aM}
          schema={metres}
          onCommit={(aM) => put('Mark', { mark: { ...mark, aM } })}
        />
        <label className={styles.field}>
          <span>From</span>
          <Input
            aria-label="Second edge"
            key={mark.fromB}
            defaultValue={mark.fromB}
            maxLength={80}
            onBlur={(event) =>
              event.target.value.trim() &&
              event.target.value !== mark.fromB &&
              put('Mark', { mark: { ...mark, fromB: event.target.value.trim() } })
            }
          />
        </label>
        <NumberField
          label="Away from that"
          suffix="m"
          step={0.01}
          value={mark.bM}
          schema={metres}
          onCommit={(bM) => put('Mark', { mark: { ...mark, bM } })}
        />
      </div>
      <h2>What was found</h2>
      {found === null ? (
        <Button
          onClick={() =>
            put('Opened', {
              found: { cause: null, depthMm: null, offMarkM: null, pipe: '', advice: '' },
            })
          }
        >
          It was opened
        </Button>
      ) : (
        <div className={styles.fields}>
          <label className={styles.field}>
            <span>Cause</span>
            <Select<Hypothesis>
              aria-label="Cause that was found"
              placeholder="What was it?"
              value={found.cause}
              options={HYPOTHESES.map((value) => ({ value, label: HYPOTHESIS_WORDS[value] }))}
              onChange={(cause) => put('Cause that was found', { found: { ...found, cause } })}
            />
          </label>
          <NumberField
            label="Depth"
            suffix="mm"
            value={found.depthMm}
            schema={depth}
            onCommit={(depthMm) => put('Depth', { found: { ...found, depthMm } })}
          />
          <NumberField
            label="Away from the mark"
            suffix="m"
            step={0.01}
            value={found.offMarkM}
            schema={metres}
            onCommit={(offMarkM) => put('Away from the mark', { found: { ...found, offMarkM } })}
          />
          <label className={styles.field}>
            <span>The pipe</span>
            <Input
              aria-label="State of the pipe"
              defaultValue={found.pipe}
              maxLength={240}
              onBlur={(event) =>
                event.target.value !== found.pipe && put('State of the pipe', { found: { ...found, pipe: event.target.value } })
              }
            />
          </label>
          <label className={styles.field}>
            <span>Advice</span>
            <Input
              aria-label="Advice"
              defaultValue={found.advice}
              maxLength={1000}
              onBlur={(event) =>
                event.target.value !== found.advice && put('Advice', { found: { ...found, advice: event.target.value } })
              }
            />
          </label>
        </div>
      )}
    </section>
  );
}

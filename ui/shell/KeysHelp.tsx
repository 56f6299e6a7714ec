'use client';

import { Modal } from 'antd';
import { useKeys } from '@ui/keys/useKeys';
import styles from './KeysHelp.module.css';

const KEYS: [string, string][] = [
  ['S', 'Spot: then click, or arrows and Space'],
  ['B', 'Box: then drag, or arrows and Space at two corners'],
  ['R', 'Mark the chosen region as the reference'],
  ['F', 'This frame only: colours stretched over it, and back to steady'],
  ['[ and ]', 'Narrower and wider colours'],
  ['Arrows', 'Move the chosen region; without one, move the colours up and down'],
  ['Shift Arrows', 'The same in larger steps'],
  ['Alt Arrows', 'Make the chosen box larger or smaller'],
  ['Delete', 'Remove the chosen region'],
  ['N, Shift N', 'Next and previous frame'],
  ['0', 'Whole frame in view'],
  ['Enter', 'Record a finding'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo and redo'],
  ['Esc', 'Back'],
  ['?', 'This list'],
];

/** The keys of the bench, and a word of caution that belongs to every survey. */
export function KeysHelp({ open, onOpen }: { open: boolean; onOpen(open: boolean): void }) {
  useKeys({ '?': () => onOpen(true) });
  return (
    <Modal open={open} onCancel={() => onOpen(false)} footer={null} title="Keys on the bench" width={560}>
      <dl className={styles.keys}>
        {KEYS.map(([key, words]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
      <p className={styles.care}>
        Look up before you step: no walking with your eyes on the screen, no hand near live parts, no open panel without a
        licensed person. A thermal frame shows people too: ask first. Local codes and licensed trades come before anything that
        you read here.
      </p>
    </Modal>
  );
}

'use client';

import { Modal } from 'antd';
import { useKeys } from '@ui/keys/useKeys';
import { FilesHelp } from './FilesHelp';
import styles from './KeysHelp.module.css';

const KEYS: [string, string][] = [
  ['S', 'Spot: then click, or arrows and Space'],
  ['B, E', 'Box and ellipse: then drag, or arrows and Space at two corners'],
  ['L, M', 'Line for a profile, length for metres: from end to end'],
  ['P', 'Polygon: its corners one by one; the first again, or Enter, closes it'],
  ['X', 'Leave out: a box that colours and range do not count'],
  ['R', 'Mark the chosen region as the reference'],
  ['F', 'This frame only: colours stretched over it, and back to steady'],
  ['A', 'Against the reference: colours that part there, and back to steady'],
  ['[ and ]', 'Narrower and wider colours'],
  ['Arrows', 'Move the chosen region; without one, move the colours up and down'],
  ['Shift Arrows', 'The same in larger steps'],
  ['Alt Arrows', 'Make the chosen region larger or smaller'],
  [', and .', 'Turn the chosen region by a degree'],
  ['W', 'What deserves a look in this frame, and back to the numbers'],
  ['D', 'Copy the chosen region to the next frame'],
  ['C', 'Chart of the chosen region: histogram or profile'],
  ['V', 'Photo beside the frame, over it, and away'],
  ['Delete', 'Remove the chosen region'],
  ['N, Shift N', 'Next and previous frame'],
  ['0', 'Whole frame in view'],
  ['Enter', 'Record a finding'],
  ['Ctrl Z, Ctrl Shift Z', 'Undo and redo'],
  ['Esc', 'Back'],
  ['?', 'This list'],
];

const ROUND_KEYS: [string, string][] = [
  ['C', 'Capture'],
  ['E', 'Nothing to see, and on'],
  ['N, Shift N', 'Next and previous stop'],
  ['Arrows', 'Turn the camera'],
  ['H', 'Hold the range, and stretch it again'],
];

/** The keys of bench and round, which files hold temperatures, and a word of caution that belongs to every survey. */
export function KeysHelp({ open, onOpen }: { open: boolean; onOpen(open: boolean): void }) {
  useKeys({ '?': () => onOpen(true) });
  return (
    <Modal open={open} onCancel={() => onOpen(false)} footer={null} title="Keys and files" width={560}>
      <KeyList name="On the bench" keys={KEYS} />
      <KeyList name="On the round" keys={ROUND_KEYS} />
      <FilesHelp />
      <p className={styles.care}>
        Look up before you step: no walking with your eyes on the screen, no hand near live parts, no open panel without a
        licensed person. A thermal frame shows people too: ask first. Local codes and licensed trades come before anything that
        you read here.
      </p>
    </Modal>
  );
}

function KeyList({ name, keys }: { name: string; keys: [string, string][] }) {
  return (
    <>
      <h2>{name}</h2>
      <dl className={styles.keys}>
        {keys.map(([key, words]) => (
          <div key={key}>
            <dt>
              <kbd>{key}</kbd>
            </dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

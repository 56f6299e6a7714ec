import styles from './KeysHelp.module.css';

const FILES: [string, string][] = [
  [
    'Hold temperatures',
    'TIFF with decimal numbers or hundredths of a kelvin; tables as CSV or TSV; NPY arrays; PNG with 16 bits of grey. Every pixel can be read.',
  ],
  [
    'May hold them',
    'A JPEG of a thermal camera. Many cameras hide the numbers in it in a way of their own: export the frame from the camera’s own program as one of the above, with the settings it was made with.',
  ],
  [
    'Hold none',
    'Coloured pictures, photos of a screen, a live picture. They are kept as evidence without data: type the values that stand on them, and nothing else is claimed. Videos are not read yet: keep single pictures of them.',
  ],
  [
    'How to tell',
    'Drop the file here. If spots can be read on it, it has data. If it lands under “Without data”, it has none, whatever its colours look like.',
  ],
  [
    'If yours has none',
    'Set the camera to store radiometric files, or to export them. Until then note three values of each frame: the suspect, the sound place, and both ends of its scale.',
  ],
];

/** Which files hold temperatures, how to tell, and what to do with those that do not. */
export function FilesHelp() {
  return (
    <>
      <h2>Which files hold temperatures</h2>
      <dl className={styles.keys}>
        {FILES.map(([name, words]) => (
          <div key={name}>
            <dt>{name}</dt>
            <dd>{words}</dd>
          </div>
        ))}
      </dl>
    </>
  );
}

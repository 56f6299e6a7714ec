import { Button } from 'antd';
import styles from './Bench.module.css';

/** What the bench is for, and its first step. */
export function EmptyBench({ onFiles }: { onFiles(): void }) {
  return (
    <div className={styles.empty}>
      <h2>Frames are read here</h2>
      <p>
        Drop radiometric files on this page, one temperature a pixel: TIFF with decimal numbers or hundredths of a kelvin, CSV or
        TSV tables, NPY arrays, PNG with 16 bits of grey; a ZIP of them; and the photos that belong to them. Then mark sound wall
        as the reference and read everything else against it.
      </p>
      <Button type="primary" size="large" onClick={onFiles}>
        Choose files
      </Button>
    </div>
  );
}

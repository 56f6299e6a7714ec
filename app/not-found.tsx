import Link from 'next/link';
import styles from './NotHere.module.css';

export default function NotFound() {
  return (
    <main className={styles.main} data-theme="paper">
      <section className={styles.empty}>
        <h1>There is nothing at this address</h1>
        <p>The visit may have been removed, or the address was cut off when it was copied.</p>
        <p>
          <Link href="/">
            <u>All visits</u>
          </Link>
        </p>
      </section>
    </main>
  );
}

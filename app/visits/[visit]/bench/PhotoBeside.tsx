import styles from './PhotoBeside.module.css';

/** The daylight photo of the frame, beside it. */
export function PhotoBeside({ photoId, name }: { photoId: string; name: string }) {
  return (
    <figure className={styles.photo}>
      <img src={`/api/photos/${photoId}/file`} alt={`Photo ${name} of this frame`} />
      <figcaption>{name}</figcaption>
    </figure>
  );
}

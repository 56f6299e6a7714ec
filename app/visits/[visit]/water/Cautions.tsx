import styles from './Water.module.css';

/** Before anybody opens a floor. */
export function Cautions() {
  return (
    <section className={styles.cautions} aria-label="Before a floor is opened">
      <h2>Before a floor is opened</h2>
      <ul>
        <li>Gas pipes, cables and heating loops may lie in it: trace them first, and switch off.</li>
        <li>A slab may hold tensioned tendons: never cut one that may.</li>
        <li>Cutting sets silica dust free; old floors and glues may hold asbestos.</li>
        <li>Hot water scalds. Damp places: mould, foul water, live parts.</li>
        <li>A small pilot hole first, where it is allowed. Repairs belong to the licensed; local codes come first.</li>
      </ul>
    </section>
  );
}

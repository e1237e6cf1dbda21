import styles from './Badge.module.css';

const words = { free: 'Free', taken: 'Taken' } as const;

export function Badge({ tone }: { tone: keyof typeof words }) {
  return <p className={`${styles.badge} ${styles[tone]}`}>{words[tone]}</p>;
}

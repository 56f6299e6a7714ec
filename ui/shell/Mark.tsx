import { DEN } from '@core/paper/palette';

/** The den's mark: an arch with a fire in it. */
export function DenMark({ size = 30 }: { size?: number }) {
  return (
    <svg width={size} height={size} viewBox="0 0 30 30" aria-hidden="true">
      <path d="M3 27V14a12 12 0 0 1 24 0v13z" fill={DEN.raised} stroke={DEN.ember} strokeWidth="2" />
      <path d="M10 27v-7a5 5 0 0 1 10 0v7z" fill={DEN.ember} />
      <circle cx="15" cy="21" r="2" fill={DEN.text} />
    </svg>
  );
}

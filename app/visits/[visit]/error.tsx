'use client';

import { StageFailed } from '@ui/shell/StageFailed';

/** A stage could not be drawn. The visit, its undo and what is on its way to be stored live above it and go on. */
export default function StageError({ error, reset }: { error: Error; reset: () => void }) {
  return <StageFailed problem={error.message} onAgain={reset} />;
}

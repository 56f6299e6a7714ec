import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { CoreError } from '@core/errors';
import type { VisitDocument } from '@core/visit/document';
import { idSchema } from '@core/visit/fields';
import { database } from '@data/connection';
import { loadVisitDocument } from '@data/queries/document';
import { Shell } from '@ui/shell/Shell';
import { VisitProvider } from '@ui/visit/VisitProvider';

async function load(id: string): Promise<VisitDocument> {
  if (!idSchema.safeParse(id).success) notFound();
  try {
    return await loadVisitDocument(database(), id);
  } catch (error) {
    if (error instanceof CoreError && error.code === 'not_found') notFound();
    throw error;
  }
}

export default async function VisitLayout({ children, params }: { children: ReactNode; params: Promise<{ visit: string }> }) {
  const { visit } = await params;
  return (
    <VisitProvider key={visit} initial={await load(visit)}>
      <Shell>{children}</Shell>
    </VisitProvider>
  );
}

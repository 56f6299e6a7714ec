import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { VisitDocument } from '@core/visit/document';
import { idSchema } from '@core/visit/fields';
import { database } from '@data/connection';
import { loadVisitDocument } from '@data/queries/document';
import { Shell } from '@ui/shell/Shell';
import { VisitProvider } from '@ui/visit/VisitProvider';
import { loaded } from '../../loaded';

async function load(id: string): Promise<VisitDocument> {
  if (!idSchema.safeParse(id).success) notFound();
  return loaded(loadVisitDocument(database(), id));
}

export default async function VisitLayout({ children, params }: { children: ReactNode; params: Promise<{ visit: string }> }) {
  const { visit } = await params;
  return (
    <VisitProvider key={visit} initial={await load(visit)}>
      <Shell>{children}</Shell>
    </VisitProvider>
  );
}

import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import type { VisitDocument } from '@core/document';
import { packDocument } from '@core/packedDocument';
import { idSchema } from '@core/rows/fields';
import { asking } from '@server/asking';
import { loadVisitDocument } from '@data/queries/document';
import { Shell } from '@ui/shell/Shell';
import { VisitBoundary } from '@ui/shell/VisitBoundary';
import { VisitProvider } from '@ui/visit/VisitProvider';
import { loaded } from '../../loaded';

async function load(id: string): Promise<VisitDocument> {
  if (!idSchema.safeParse(id).success) notFound();
  return loaded(loadVisitDocument(asking(), id));
}

export default async function VisitLayout({ children, params }: { children: ReactNode; params: Promise<{ visit: string }> }) {
  const { visit } = await params;
  return (
    <VisitProvider key={visit} initial={packDocument(await load(visit))}>
      <VisitBoundary>
        <Shell>{children}</Shell>
      </VisitBoundary>
    </VisitProvider>
  );
}

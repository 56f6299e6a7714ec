import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { idSchema } from '@core/ground/fields';
import { requireVisit } from '@data/queries/document';
import { asking } from '@server/asking';
import { Shell } from '@ui/shell/Shell';
import { VisitBoundary } from '@ui/shell/VisitBoundary';
import { VisitProvider } from '@ui/visit/VisitProvider';
import { loaded } from '../../loaded';

export default async function VisitLayout({ children, params }: { children: ReactNode; params: Promise<{ visit: string }> }) {
  const { visit } = await params;
  if (!idSchema.safeParse(visit).success) notFound();
  await loaded(requireVisit(asking(), visit));
  return (
    <VisitProvider key={visit} visitId={visit}>
      <VisitBoundary>
        <Shell>{children}</Shell>
      </VisitBoundary>
    </VisitProvider>
  );
}

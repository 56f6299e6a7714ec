import { notFound } from 'next/navigation';
import type { ReactNode } from 'react';
import { idSchema } from '@core/ground/fields';
import { visitBrief } from '@data/queries/document';
import { asking } from '@server/asking';
import { Shell } from '@ui/shell/Shell';
import { PageFrame } from '@ui/shell/PageFrame';
import { VisitBoundary } from '@ui/shell/VisitBoundary';
import { VisitFrame } from '@ui/shell/VisitFrame';
import { VisitProvider } from '@ui/visit/VisitProvider';
import { loaded } from '../../loaded';

export default async function VisitLayout({ children, params }: { children: ReactNode; params: Promise<{ visit: string }> }) {
  const { visit } = await params;
  if (!idSchema.safeParse(visit).success) notFound();
  const frame = <VisitFrame visit={await loaded(visitBrief(asking(), visit))} />;
  return (
    <PageFrame key={visit} frame={frame}>
      <VisitProvider visitId={visit} until={frame}>
        <VisitBoundary>
          <Shell>{children}</Shell>
        </VisitBoundary>
      </VisitProvider>
    </PageFrame>
  );
}

import { asking } from '@server/asking';
import { listSites } from '@data/queries/visits';
import { DeskFrame } from '@ui/shell/Desk';
import { PageFrame } from '@ui/shell/PageFrame';
import { loaded } from './loaded';
import { SiteList } from './SiteList';

export default async function HomePage() {
  return (
    <PageFrame frame={<DeskFrame here="/" heading="Sites and visits" />}>
      <SiteList sites={await loaded(listSites(asking()))} />
    </PageFrame>
  );
}

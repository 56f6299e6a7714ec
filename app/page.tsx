import { asking } from '@server/asking';
import { listSites } from '@data/queries/visits';
import { loaded } from './loaded';
import { SiteList } from './SiteList';

export default async function HomePage() {
  return <SiteList sites={await loaded(listSites(asking()))} />;
}

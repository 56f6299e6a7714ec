import { database } from '@data/connection';
import { listSites } from '@data/queries/visits';
import { SiteList } from './SiteList';

export default async function HomePage() {
  return <SiteList sites={await listSites(database())} />;
}

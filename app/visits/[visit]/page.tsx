import { redirect } from 'next/navigation';

/** A visit opens where its pictures are judged. */
export default async function VisitPage({ params }: { params: Promise<{ visit: string }> }) {
  redirect(`/visits/${(await params).visit}/bench`);
}

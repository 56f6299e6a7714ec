import { ReportPreview } from './ReportPreview';

export default function ReportPage() {
  return <ReportPreview />;
}

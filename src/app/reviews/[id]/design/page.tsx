import { context } from '@/app/wiring';
import { listDesigns } from '@/features/design/use/designs';
import { DesignLinkScreen } from '@/features/review/screen/design-link-screen';

export default async function ReviewDesignPage() {
  const designs = await listDesigns(context());
  return <DesignLinkScreen designs={designs.map(({ id, title }) => ({ id, title }))} />;
}

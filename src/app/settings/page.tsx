import type { Metadata } from 'next';
import { context } from '@/app/wiring';
import { LIMITS_FILE, listTeamFiles } from '@/features/review/use/team-files';
import { listTokens } from '@/features/review/use/pipeline-tokens';
import { SettingsScreen } from '@/features/team/screen/settings-screen';

export const metadata: Metadata = { title: 'Settings' };

export default async function SettingsPage() {
  const inside = context();
  const [tokens, files] = await Promise.all([listTokens(inside), listTeamFiles(inside, 'limits')]);
  const limits = files.find(({ name }) => name === LIMITS_FILE) ?? null;
  return (
    <SettingsScreen
      tokens={tokens.map(({ tokenHash: _, workspace: __, ...token }) => token)}
      limits={limits && { text: limits.text, revision: limits.revision }}
    />
  );
}

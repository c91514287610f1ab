import { SettingsScreen } from '@/ui/settings/SettingsScreen';

export const metadata = { title: 'Settings' };

export default function Page() {
  return <SettingsScreen />;
}

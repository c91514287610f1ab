import { scheduleScreen } from '@/server/screens';
import { ScheduleScreen } from '@/ui/schedule/ScheduleScreen';

export const metadata = { title: 'Schedule' };

export default async function Page() {
  return <ScheduleScreen {...await scheduleScreen()} />;
}

import { peopleScreen } from '@/server/screens';
import { PeopleScreen } from '@/ui/people/PeopleScreen';

export const metadata = { title: 'People' };

export default async function Page() {
  return <PeopleScreen {...await peopleScreen()} />;
}

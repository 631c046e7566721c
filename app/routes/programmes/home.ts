import { redirect } from 'react-router';
import type { Route } from './+types/home';

export function loader({ params }: Route.LoaderArgs) {
  return redirect(`/programmes/${params.programmeId}/plan`);
}

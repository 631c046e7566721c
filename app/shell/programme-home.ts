import { redirect } from 'react-router';
import type { Route } from './+types/programme-home';

export function loader({ params }: Route.LoaderArgs) {
  return redirect(`/programmes/${params.programmeId}/plan`);
}

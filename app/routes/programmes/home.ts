import { redirect } from 'react-router';
import type { Route } from './+types/home';

export function loader({ params }: Route.LoaderArgs) {
  throw redirect(`/programmes/${params.programmeId}/plan`);
}

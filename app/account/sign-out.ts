import { redirect } from 'react-router';
import { signOut } from '../../server/doors/coach-session.ts';
import type { Route } from './+types/sign-out';

export async function action({ request }: Route.ActionArgs) {
  return redirect('/sign-in', { headers: { 'set-cookie': await signOut(request) } });
}

export function loader() {
  throw redirect('/programmes');
}

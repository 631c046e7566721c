import { notFound } from '../../server/coach-scope.ts';

export function loader() {
  return notFound();
}

export function action() {
  return notFound();
}

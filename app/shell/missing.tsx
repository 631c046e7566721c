import { notFound } from '../../server/doors/coach-scope.ts';

export function loader() {
  return notFound();
}

export function action() {
  return notFound();
}

/** Never shown: the loader ends in the page that says so. A route without a component would answer with bare data. */
export default function Missing() {
  return null;
}

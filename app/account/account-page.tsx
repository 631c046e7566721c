import type { ReactNode } from 'react';
import { NavLink, useRouteLoaderData } from 'react-router';
import type { loader as coachLoader } from '../shell/coach.tsx';
import { CoachHead } from '../shell/coach-head.tsx';

/** The pages about who coaches here, and how they sign in. What is an owner's is shown to owners. */
export function AccountPage({ title, children }: { title: string; children: ReactNode }) {
  const coach = useRouteLoaderData<typeof coachLoader>('shell/coach');
  return (
    <>
      <CoachHead />
      <main id="main" className="page account-page">
        <div className="page-title">
          <h1>{title}</h1>
          <nav className="account-links" aria-label="Account">
            <NavLink to="/account" end>
              You
            </NavLink>
            <NavLink to="/account/coaches">Who coaches here</NavLink>
            {coach?.role === 'owner' && <NavLink to="/account/done">What was done</NavLink>}
          </nav>
          <p className="soft">{coach?.workspaceName}</p>
        </div>
        {children}
      </main>
    </>
  );
}

/** One thing that can be changed: what it is and why on the left, the way to do it on the right. */
export function AccountPart({ title, says, children }: { title: string; says: ReactNode; children: ReactNode }) {
  return (
    <section className="account-part">
      <div>
        <h2>{title}</h2>
        <p className="soft small">{says}</p>
      </div>
      <div>{children}</div>
    </section>
  );
}

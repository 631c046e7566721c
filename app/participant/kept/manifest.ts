import { withPersonalLink } from '../../../server/doors/personal-link.ts';
import type { Route } from './+types/manifest';

/** What a phone puts on its first screen: this person's own pages, opening on today. */
export const loader = ({ params }: Route.LoaderArgs) =>
  withPersonalLink(params.token, async (_db, { enrolment }) => {
    const start = `/p/${params.token}`;
    const icon = (size: number, purpose: 'any' | 'maskable') => ({
      src: `/icon-${size}${purpose === 'maskable' ? '-maskable' : ''}.png`,
      sizes: `${size}x${size}`,
      type: 'image/png',
      purpose,
    });
    const manifest = {
      id: start,
      name: enrolment.programmeTitle,
      short_name: 'Ysodos',
      lang: 'en',
      start_url: start,
      scope: start,
      display: 'standalone',
      background_color: '#f7f2e9',
      theme_color: '#7b2b5e',
      icons: [icon(192, 'any'), icon(512, 'any'), icon(512, 'maskable')],
    };
    return new Response(JSON.stringify(manifest), {
      headers: { 'content-type': 'application/manifest+json', 'cache-control': 'private, no-store' },
    });
  });

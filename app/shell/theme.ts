import { data, redirect } from 'react-router';
import { cookie } from '../../server/http/cookies.ts';
import { formText } from '../../server/http/form-text.ts';
import { readForm } from '../../server/http/read-body.ts';
import type { Route } from './+types/theme';

const YEAR_SEC = 365 * 24 * 3600;

/** Light, dark, or as the device has it. */
export async function action({ request }: Route.ActionArgs) {
  const theme = formText((await readForm(request)).form, 'theme');
  if (theme !== 'light' && theme !== 'dark' && theme !== 'device')
    return data({ error: 'theme is light, dark or device' }, { status: 400 });
  return data(
    { theme },
    {
      headers: {
        'set-cookie': cookie('ysodos_theme', theme === 'device' ? '' : theme, theme === 'device' ? 0 : YEAR_SEC),
      },
    },
  );
}

export function loader() {
  throw redirect('/programmes');
}

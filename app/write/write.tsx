import { loadWrite, changeWritten } from '../../server/write/write-page.ts';
import { Button } from 'antd';
import { Form, useNavigation } from 'react-router';
import { coachForm, withDay } from '../../server/doors/coach-scope.ts';
import { formText } from '../../server/http/form-text.ts';
import { programmePage } from '../parts/page-title.ts';
import type { Route } from './+types/write';
import { useWrittenDays } from './paste/use-written-days.ts';
import { WrittenNotice } from './paste/written-notice.tsx';
import { Writer } from './writer.tsx';

export { onlyNewPlaces as shouldRevalidate } from '../parts/only-new-places.ts';

export const meta: Route.MetaFunction = ({ loaderData, matches }) =>
  programmePage(matches, `Write: ${loaderData?.name ?? ''}`);

export async function loader({ request, params }: Route.LoaderArgs) {
  return withDay(request, params, (db, scope) => loadWrite(db, scope, params));
}

export async function action({ request, params }: Route.ActionArgs) {
  const form = await coachForm(request);
  const intent = formText(form, 'intent');
  return withDay(request, params, (db, scope) => changeWritten(db, scope, intent, form, params));
}

export default function Write({ loaderData, actionData }: Route.ComponentProps) {
  const { day, name, words, programmeId, dayKey, firstWeekday } = loaderData;
  const writing = useWrittenDays(programmeId, dayKey);
  const busy = useNavigation().state !== 'idle';
  if (!day) {
    return (
      <div className="no-session">
        <h1>{name}</h1>
        <p className="soft">{words}. The programme has no session on this day.</p>
        <Form method="post">
          <input type="hidden" name="intent" value="add" />
          <Button type="primary" htmlType="submit" loading={busy}>
            Put a session here
          </Button>
        </Form>
      </div>
    );
  }
  return (
    <>
      {writing.dialog}
      <WrittenNotice {...{ writing, programmeId, firstWeekday }} />
      <Writer key={`${day.id} ${writing.turn}`} {...loaderData} {...{ day, busy, writing }} answer={actionData} />
    </>
  );
}

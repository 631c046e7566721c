-- What all migrations together make: to be read, not run. Written by `npm run schema`; a test holds it.

CREATE FUNCTION public.beat(wanted text, app_now timestamp with time zone) RETURNS boolean
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
declare
  was pulse;
  silent boolean;
begin
  insert into pulse (kind, seen_at, app_at) values (wanted, clock_timestamp(), app_now) on conflict do nothing;
  if found then
    return false;
  end if;
  select * into was from pulse where kind = wanted for update;
  silent := was.seen_at < clock_timestamp() - interval '2 minutes' and was.app_at < app_now;
  if silent then
    insert into outage (kind, from_at, to_at) values (wanted, was.app_at, app_now);
  end if;
  update pulse set seen_at = clock_timestamp(), app_at = app_now where kind = wanted;
  return silent;
end $$;

CREATE FUNCTION public.enter_by_link(wanted bytea, wanted_kinds text[]) RETURNS TABLE(workspace_id bigint, person_id bigint)
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
begin
  select l.workspace_id, l.person_id into workspace_id, person_id
  from personal_link l where l.token_hash = wanted and l.revoked_at is null and l.kind = any(wanted_kinds);
  if found then
    perform set_config('ysodos.workspace_id', workspace_id::text, true);
    return next;
  end if;
end $$;

CREATE FUNCTION public.find_address_key(wanted bytea, at timestamp with time zone) RETURNS TABLE(workspace_id bigint, person_id bigint)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select k.workspace_id, k.person_id from address_key k
  join person p on p.id = k.person_id and p.address = k.address and p.closed_at is null
  where k.token_hash = wanted and k.used_at is null and k.expires_at > at
$$;

CREATE FUNCTION public.find_coach_by_email(wanted text) RETURNS TABLE(coach_id bigint, workspace_id bigint, password_hash text)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select c.id, c.workspace_id, c.password_hash from coach c where c.email = lower(wanted)
$$;

CREATE FUNCTION public.find_coach_door(wanted bytea, at timestamp with time zone) RETURNS TABLE(workspace_id bigint, kind text, coach_id bigint, email text, role text)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select d.workspace_id, d.kind, d.coach_id, d.email, d.role from coach_door d
  where d.token_hash = wanted and d.used_at is null and d.expires_at > at
$$;

CREATE FUNCTION public.find_coach_session(wanted bytea, at timestamp with time zone) RETURNS TABLE(coach_id bigint, workspace_id bigint, coach_name text, workspace_name text, role text, session_id bigint, seen_at timestamp with time zone, made_at timestamp with time zone, proved_at timestamp with time zone, waits_for_code boolean, has_second_step boolean)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select c.id, c.workspace_id, c.name, w.name, c.role, s.id, s.seen_at, s.made_at, s.proved_at, s.waits_for_code, c.totp_sealed is not null
  from coach_session s
  join coach c on c.id = s.coach_id
  join workspace w on w.id = c.workspace_id
  where s.token_hash = wanted and s.expires_at > at and c.gone_at is null
$$;

CREATE FUNCTION public.find_join(wanted text) RETURNS TABLE(workspace_id bigint, run_id bigint)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select r.workspace_id, r.id from run r where r.join_code = wanted
$$;

CREATE FUNCTION public.find_message_workspace(wanted bigint) RETURNS bigint
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select m.workspace_id from message m where m.id = wanted
$$;

CREATE FUNCTION public.find_run_feed(wanted bytea) RETURNS TABLE(workspace_id bigint, run_id bigint)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select r.workspace_id, r.id from run r where r.feed_hash = wanted and r.archived_at is null
$$;

CREATE FUNCTION public.find_stop_key(wanted uuid) RETURNS TABLE(workspace_id bigint, person_id bigint)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select p.workspace_id, p.id from person p where p.stop_key = wanted
$$;

CREATE FUNCTION public.forget_audit(before timestamp with time zone) RETURNS bigint
    LANGUAGE sql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  with gone as (delete from audit where at < before returning 1) select count(*) from gone
$$;

CREATE TABLE public.release_stop (
    workspace_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    day_id bigint NOT NULL,
    kind text NOT NULL,
    made_at timestamp with time zone NOT NULL,
    made_by bigint,
    until timestamp with time zone,
    CONSTRAINT release_stop_kind CHECK ((kind = ANY (ARRAY['grace'::text, 'held'::text, 'left-out'::text]))),
    CONSTRAINT release_stop_order CHECK (((until IS NULL) OR (until >= made_at)))
);

CREATE FUNCTION public.holds_back(s public.release_stop, at timestamp with time zone) RETURNS boolean
    LANGUAGE sql IMMUTABLE
    AS $$
  select s.until is null or s.until > at
$$;

CREATE TABLE public.absence (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    kind text NOT NULL,
    from_on date NOT NULL,
    to_on date,
    said_by text NOT NULL,
    note text DEFAULT ''::text NOT NULL,
    made_at timestamp with time zone NOT NULL,
    CONSTRAINT absence_kind CHECK ((kind = ANY (ARRAY['pause'::text, 'excused'::text]))),
    CONSTRAINT absence_note_length CHECK ((length(note) <= 200)),
    CONSTRAINT absence_order CHECK (((to_on IS NULL) OR (to_on >= from_on))),
    CONSTRAINT absence_said_by CHECK ((said_by = ANY (ARRAY['coach'::text, 'person'::text])))
);

CREATE FUNCTION public.is_away_by(a public.absence, day_on date) RETURNS boolean
    LANGUAGE sql IMMUTABLE
    AS $$
  select a.from_on <= day_on and (a.to_on is null or a.to_on >= day_on)
$$;

CREATE FUNCTION public.is_coach_device(wanted bytea, email_wanted text) RETURNS boolean
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select exists (
    select from coach_device d join coach c on c.id = d.coach_id where d.token_hash = wanted and c.email = lower(email_wanted))
$$;

CREATE TABLE public.enrolment (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    person_id bigint NOT NULL,
    joined_on date NOT NULL,
    starts_on date,
    weekdays smallint[],
    left_on date,
    eased_until date,
    held_week smallint,
    pace jsonb,
    CONSTRAINT enrolment_held_week CHECK (((held_week >= 1) AND (held_week <= 52)))
);

CREATE FUNCTION public.is_in_run(e public.enrolment) RETURNS boolean
    LANGUAGE sql IMMUTABLE
    AS $$
  select e.left_on is null
$$;

CREATE TABLE public.person (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    name text NOT NULL,
    detail text DEFAULT ''::text NOT NULL,
    time_zone text NOT NULL,
    kit text[],
    levels jsonb DEFAULT '{}'::jsonb NOT NULL,
    spares text[] DEFAULT '{}'::text[] NOT NULL,
    swaps jsonb DEFAULT '[]'::jsonb NOT NULL,
    address text DEFAULT ''::text NOT NULL,
    care text DEFAULT 'not-asked'::text NOT NULL,
    care_shared text DEFAULT ''::text NOT NULL,
    channel text DEFAULT 'none'::text NOT NULL,
    address_state text DEFAULT 'given'::text NOT NULL,
    address_reason text DEFAULT ''::text NOT NULL,
    quiet_from time without time zone,
    quiet_to time without time zone,
    wants_rest_days boolean DEFAULT false NOT NULL,
    reminder_at time without time zone,
    stop_key uuid DEFAULT gen_random_uuid() NOT NULL,
    doses jsonb DEFAULT '[]'::jsonb NOT NULL,
    board text DEFAULT 'name'::text NOT NULL,
    alias text DEFAULT ''::text NOT NULL,
    closed_at timestamp with time zone,
    calendar_at time without time zone,
    calendar_alarm smallint,
    CONSTRAINT person_address_length CHECK ((length(address) <= 120)),
    CONSTRAINT person_address_reason_length CHECK ((length(address_reason) <= 300)),
    CONSTRAINT person_address_state CHECK ((address_state = ANY (ARRAY['given'::text, 'asked'::text, 'confirmed'::text, 'bounced'::text, 'stopped'::text]))),
    CONSTRAINT person_alias_length CHECK ((length(alias) <= 40)),
    CONSTRAINT person_board CHECK ((board = ANY (ARRAY['name'::text, 'alias'::text, 'out'::text]))),
    CONSTRAINT person_calendar_alarm CHECK (((calendar_alarm >= 0) AND (calendar_alarm <= 1440))),
    CONSTRAINT person_care CHECK ((care = ANY (ARRAY['not-asked'::text, 'clear'::text, 'wait'::text, 'seen'::text]))),
    CONSTRAINT person_care_shared_length CHECK ((length(care_shared) <= 500)),
    CONSTRAINT person_channel CHECK ((channel = ANY (ARRAY['email'::text, 'text'::text, 'none'::text]))),
    CONSTRAINT person_detail_length CHECK ((length(detail) <= 80)),
    CONSTRAINT person_name_length CHECK (((length(name) >= 1) AND (length(name) <= 80))),
    CONSTRAINT person_quiet_whole CHECK (((quiet_from IS NULL) = (quiet_to IS NULL)))
);

CREATE FUNCTION public.is_reached(p public.person) RETURNS boolean
    LANGUAGE sql IMMUTABLE
    AS $$
  select p.channel <> 'none' and p.address <> '' and p.address_state in ('given', 'confirmed') and p.closed_at is null
$$;

CREATE FUNCTION public.keep_standing() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
begin
  insert into standing (workspace_id, run_id, enrolment_id, day_id, record_id, version_id, outcome, share_ratio, effort, made_at,
    has_scores, has_swaps, has_details, last_block)
  select distinct on (a.enrolment_id, v.day_id) a.workspace_id, v.run_id, a.enrolment_id, v.day_id, a.id, a.version_id, a.outcome, a.share_ratio, a.effort, a.made_at, s.*
  from added a join version v on v.id = a.version_id cross join lateral standing_of(a.scores, a.fit, a.details) s
  order by a.enrolment_id, v.day_id, a.made_at desc, a.id desc
  on conflict (enrolment_id, day_id) do update
    set record_id = excluded.record_id, version_id = excluded.version_id, outcome = excluded.outcome, share_ratio = excluded.share_ratio,
      effort = excluded.effort, made_at = excluded.made_at, run_id = excluded.run_id, has_scores = excluded.has_scores,
      has_swaps = excluded.has_swaps, has_details = excluded.has_details, last_block = excluded.last_block
    where (standing.made_at, standing.record_id) < (excluded.made_at, excluded.record_id);
  return null;
end $$;

CREATE FUNCTION public.list_gaps() RETURNS jsonb
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select jsonb_agg(jsonb_build_object('kind', g.kind, 'fromMs', floor(extract(epoch from g.from_at) * 1000), 'toMs', floor(extract(epoch from g.to_at) * 1000)) order by g.from_at)
  from (
    (select o.kind, o.from_at, o.to_at from outage o where o.kind <> 'mail' order by o.to_at desc limit 200)
    union all
    select p.kind, p.app_at, null from pulse p where p.kind <> 'mail' and p.seen_at < clock_timestamp() - interval '2 minutes'
  ) g
$$;

CREATE FUNCTION public.list_live_runs() RETURNS TABLE(workspace_id bigint, run_id bigint)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select r.workspace_id, r.id from run r where r.archived_at is null and r.held_at is null order by r.id
$$;

CREATE FUNCTION public.list_waiting_workspaces(at timestamp with time zone) RETURNS TABLE(workspace_id bigint)
    LANGUAGE sql STABLE SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
  select distinct m.workspace_id from message m
  where m.state in ('waiting', 'sending') and m.next_try_at <= at and (m.lease_until is null or m.lease_until <= at)
$$;

CREATE FUNCTION public.may_be_written_to(p public.person) RETURNS boolean
    LANGUAGE sql IMMUTABLE
    AS $$
  select p.channel <> 'none' and p.address <> '' and p.address_state <> 'stopped' and p.closed_at is null
$$;

CREATE FUNCTION public.note_mail(is_taken boolean, app_now timestamp with time zone) RETURNS void
    LANGUAGE plpgsql SECURITY DEFINER
    SET search_path TO 'public'
    AS $$
declare
  was pulse;
begin
  insert into pulse (kind, seen_at, app_at) values ('mail', clock_timestamp(), app_now) on conflict do nothing;
  select * into was from pulse where kind = 'mail' for update;
  if is_taken and was.failing_since < app_now then
    insert into outage (kind, from_at, to_at) values ('mail', was.failing_since, app_now);
  end if;
  update pulse set seen_at = clock_timestamp(), app_at = app_now,
    failing_since = case when is_taken then null else coalesce(was.failing_since, app_now) end
  where kind = 'mail';
end $$;

CREATE FUNCTION public.reached_by(p public.person) RETURNS text
    LANGUAGE sql IMMUTABLE
    AS $$
  select case when is_reached(p) then p.channel else 'none' end
$$;

CREATE FUNCTION public.refuse_change() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
begin
  raise exception '% rows are never changed', tg_table_name using errcode = 'integrity_constraint_violation';
end $$;

CREATE FUNCTION public.refuse_removal() RETURNS trigger
    LANGUAGE plpgsql
    AS $$
begin
  raise exception '% rows are never removed', tg_table_name using errcode = 'restrict_violation';
end $$;

CREATE FUNCTION public.standing_of(scores jsonb, fit jsonb, details jsonb) RETURNS TABLE(has_scores boolean, has_swaps boolean, has_details boolean, last_block smallint)
    LANGUAGE sql IMMUTABLE
    AS $_$
  select scores <> '[]'::jsonb, fit <> '[]'::jsonb or details ? 'chosen',
    details ?| array['loads', 'steps', 'overran', 'chosen', 'fewer'] or coalesce(details ->> 'body' = 'hurts', false),
    case when details ? 'ranSec' then (select max(k::smallint) from jsonb_object_keys(details -> 'ranSec') k where k ~ '^[0-9]{1,3}$') end
$_$;

CREATE FUNCTION public.takes_part(e public.enrolment, day_on date) RETURNS boolean
    LANGUAGE sql IMMUTABLE
    AS $$
  select e.joined_on <= day_on and (e.left_on is null or e.left_on >= day_on)
$$;

ALTER TABLE public.absence ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.absence_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.address_key (
    token_hash bytea NOT NULL,
    workspace_id bigint NOT NULL,
    person_id bigint NOT NULL,
    address text NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    used_at timestamp with time zone
);

CREATE TABLE public.audit (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    at timestamp with time zone NOT NULL,
    coach_id bigint,
    kind text NOT NULL,
    person_id bigint,
    programme_id bigint,
    detail text DEFAULT ''::text NOT NULL,
    CONSTRAINT audit_detail_length CHECK ((length(detail) <= 300)),
    CONSTRAINT audit_kind CHECK (((length(kind) >= 1) AND (length(kind) <= 40)))
);

ALTER TABLE public.audit ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.audit_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.base_movement (
    id text NOT NULL,
    movement jsonb NOT NULL
);

CREATE TABLE public.calendar_entry (
    workspace_id bigint NOT NULL,
    uid text NOT NULL,
    enrolment_id bigint,
    run_id bigint,
    event json NOT NULL,
    sequence integer NOT NULL,
    changed_at timestamp with time zone NOT NULL,
    gone_at timestamp with time zone,
    CONSTRAINT calendar_entry_of_one CHECK ((num_nonnulls(enrolment_id, run_id) = 1)),
    CONSTRAINT calendar_entry_uid_length CHECK (((length(uid) >= 1) AND (length(uid) <= 100)))
);

CREATE TABLE public.coach (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    email text,
    name text NOT NULL,
    password_hash text NOT NULL,
    role text DEFAULT 'coach'::text NOT NULL,
    totp_sealed bytea,
    totp_step bigint DEFAULT 0 NOT NULL,
    gone_at timestamp with time zone,
    CONSTRAINT coach_email_lower CHECK (((email = lower(email)) AND (POSITION(('@'::text) IN (email)) > 1))),
    CONSTRAINT coach_email_while_here CHECK (((email IS NULL) = (gone_at IS NOT NULL))),
    CONSTRAINT coach_role CHECK ((role = ANY (ARRAY['owner'::text, 'coach'::text, 'reader'::text])))
);

CREATE TABLE public.coach_act (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    coach_id bigint,
    kind text NOT NULL,
    code text DEFAULT ''::text NOT NULL,
    occasion text DEFAULT ''::text NOT NULL,
    words text DEFAULT ''::text NOT NULL,
    until_on date,
    was jsonb DEFAULT '{}'::jsonb NOT NULL,
    made_at timestamp with time zone NOT NULL,
    CONSTRAINT coach_act_code_length CHECK ((length(code) <= 40)),
    CONSTRAINT coach_act_kind CHECK ((kind = ANY (ARRAY['note'::text, 'wrote'::text, 'asked'::text, 'excused'::text, 'paused'::text, 'eased'::text, 'swapped'::text, 'snoozed'::text, 'seen'::text]))),
    CONSTRAINT coach_act_occasion_length CHECK ((length(occasion) <= 80)),
    CONSTRAINT coach_act_words_length CHECK ((length(words) <= 2000))
);

ALTER TABLE public.coach_act ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.coach_act_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.coach_device (
    token_hash bytea NOT NULL,
    workspace_id bigint NOT NULL,
    coach_id bigint NOT NULL,
    seen_at timestamp with time zone NOT NULL
);

CREATE TABLE public.coach_door (
    token_hash bytea NOT NULL,
    workspace_id bigint NOT NULL,
    kind text NOT NULL,
    coach_id bigint,
    email text NOT NULL,
    salt uuid NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    used_at timestamp with time zone,
    role text DEFAULT 'coach'::text NOT NULL,
    made_at timestamp with time zone DEFAULT now() NOT NULL,
    CONSTRAINT coach_door_email_lower CHECK ((email = lower(email))),
    CONSTRAINT coach_door_kind CHECK ((kind = ANY (ARRAY['reset'::text, 'invite'::text, 'address'::text]))),
    CONSTRAINT coach_door_role CHECK ((role = ANY (ARRAY['owner'::text, 'coach'::text, 'reader'::text])))
);

ALTER TABLE public.coach ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.coach_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.coach_session (
    token_hash bytea NOT NULL,
    workspace_id bigint NOT NULL,
    coach_id bigint NOT NULL,
    expires_at timestamp with time zone NOT NULL,
    id bigint NOT NULL,
    made_at timestamp with time zone NOT NULL,
    seen_at timestamp with time zone NOT NULL,
    proved_at timestamp with time zone NOT NULL,
    agent text DEFAULT ''::text NOT NULL,
    waits_for_code boolean DEFAULT false NOT NULL,
    CONSTRAINT coach_session_agent_length CHECK ((length(agent) <= 80))
);

ALTER TABLE public.coach_session ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.coach_session_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.day (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    programme_id bigint NOT NULL,
    week integer NOT NULL,
    weekday integer NOT NULL,
    text text DEFAULT ''::text NOT NULL,
    revision integer DEFAULT 1 NOT NULL,
    ready_revision integer,
    changed_at timestamp with time zone NOT NULL,
    track_id text,
    track_week integer,
    generated_text text,
    theme text,
    extra jsonb,
    read_revision integer,
    session uuid DEFAULT gen_random_uuid() NOT NULL,
    CONSTRAINT day_text_size CHECK ((octet_length(text) <= 200000)),
    CONSTRAINT day_theme_length CHECK (((length(theme) >= 1) AND (length(theme) <= 20))),
    CONSTRAINT day_track_id_length CHECK (((length(track_id) >= 1) AND (length(track_id) <= 61))),
    CONSTRAINT day_track_week CHECK (((track_week >= 1) AND (track_week <= 52))),
    CONSTRAINT day_track_whole CHECK (((track_id IS NULL) = (track_week IS NULL))),
    CONSTRAINT day_week CHECK (((week >= 1) AND (week <= 52))),
    CONSTRAINT day_weekday CHECK (((weekday >= 1) AND (weekday <= 7)))
);

CREATE TABLE public.day_flag (
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    day_id bigint NOT NULL,
    hours_ahead integer NOT NULL,
    raised_at timestamp with time zone NOT NULL
);

ALTER TABLE public.day ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.day_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

ALTER TABLE public.enrolment ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.enrolment_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.hour_use (
    workspace_id bigint NOT NULL,
    subject text NOT NULL,
    hour_at timestamp with time zone NOT NULL,
    writes integer NOT NULL,
    bytes bigint NOT NULL,
    CONSTRAINT hour_use_subject_length CHECK (((length(subject) >= 1) AND (length(subject) <= 40)))
);

CREATE TABLE public.ladder_override (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    ladder_id text NOT NULL,
    ladder jsonb NOT NULL,
    changed_at timestamp with time zone NOT NULL,
    CONSTRAINT ladder_override_id_length CHECK (((length(ladder_id) >= 1) AND (length(ladder_id) <= 100)))
);

ALTER TABLE public.ladder_override ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.ladder_override_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.late_choice (
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    day_id bigint NOT NULL,
    time_zone text DEFAULT ''::text NOT NULL,
    choice text NOT NULL,
    made_at timestamp with time zone NOT NULL,
    made_by bigint,
    CONSTRAINT late_choice_choice CHECK ((choice = ANY (ARRAY['send'::text, 'leave'::text])))
);

CREATE TABLE public.live_reply (
    workspace_id bigint NOT NULL,
    run_day_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    answer text NOT NULL,
    answered_at timestamp with time zone NOT NULL,
    came_at timestamp with time zone,
    CONSTRAINT live_reply_answer CHECK ((answer = ANY (ARRAY['yes'::text, 'no'::text])))
);

CREATE TABLE public.message (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    person_id bigint,
    enrolment_id bigint,
    coach_id bigint,
    run_id bigint,
    day_id bigint,
    version_id bigint,
    kind text NOT NULL,
    number integer DEFAULT 0 NOT NULL,
    repetition integer DEFAULT 0 NOT NULL,
    channel text NOT NULL,
    address text NOT NULL,
    state text DEFAULT 'waiting'::text NOT NULL,
    reason text DEFAULT ''::text NOT NULL,
    attempts integer DEFAULT 0 NOT NULL,
    next_try_at timestamp with time zone NOT NULL,
    lease_until timestamp with time zone,
    expires_at timestamp with time zone NOT NULL,
    accepted_at timestamp with time zone,
    created_at timestamp with time zone NOT NULL,
    extra jsonb DEFAULT '{}'::jsonb NOT NULL,
    stoppable_until timestamp with time zone,
    lease_owner uuid,
    CONSTRAINT message_channel CHECK ((channel = ANY (ARRAY['email'::text, 'text'::text]))),
    CONSTRAINT message_kind CHECK ((kind = ANY (ARRAY['session'::text, 'change'::text, 'withdrawn'::text, 'rest'::text, 'reminder'::text, 'live'::text, 'confirm'::text, 'flag'::text, 'reset'::text, 'invite'::text, 'address'::text, 'told'::text, 'test'::text, 'note'::text, 'letter'::text]))),
    CONSTRAINT message_reason_length CHECK ((length(reason) <= 300)),
    CONSTRAINT message_state CHECK ((state = ANY (ARRAY['waiting'::text, 'sending'::text, 'accepted'::text, 'bounced'::text, 'refused'::text, 'gave-up'::text, 'dropped'::text]))),
    CONSTRAINT message_to_somebody CHECK (((person_id IS NULL) <> (coach_id IS NULL)))
);

ALTER TABLE public.message ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.message_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.movement_override (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    movement_id text NOT NULL,
    fields jsonb NOT NULL,
    changed_at timestamp with time zone NOT NULL,
    CONSTRAINT movement_override_id_length CHECK (((length(movement_id) >= 1) AND (length(movement_id) <= 100)))
);

ALTER TABLE public.movement_override ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.movement_override_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.outage (
    id bigint NOT NULL,
    kind text NOT NULL,
    from_at timestamp with time zone NOT NULL,
    to_at timestamp with time zone NOT NULL,
    CONSTRAINT outage_kind CHECK ((kind = ANY (ARRAY['work'::text, 'serve'::text, 'mail'::text]))),
    CONSTRAINT outage_order CHECK ((to_at > from_at))
);

ALTER TABLE public.outage ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.outage_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.pain (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    version_id bigint NOT NULL,
    client_id uuid NOT NULL,
    movement text NOT NULL,
    area text NOT NULL,
    did text NOT NULL,
    stand_in text DEFAULT ''::text NOT NULL,
    told_at timestamp with time zone NOT NULL,
    CONSTRAINT pain_area_length CHECK (((length(area) >= 1) AND (length(area) <= 40))),
    CONSTRAINT pain_did CHECK ((did = ANY (ARRAY['stand-in'::text, 'left-out'::text, 'ended'::text]))),
    CONSTRAINT pain_movement_length CHECK (((length(movement) >= 1) AND (length(movement) <= 120))),
    CONSTRAINT pain_stand_in_length CHECK ((length(stand_in) <= 120))
);

ALTER TABLE public.pain ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.pain_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

ALTER TABLE public.person ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.person_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.personal_link (
    token_hash bytea NOT NULL,
    workspace_id bigint NOT NULL,
    created_at timestamp with time zone NOT NULL,
    revoked_at timestamp with time zone,
    person_id bigint NOT NULL,
    kind text DEFAULT 'personal'::text NOT NULL,
    salt uuid,
    CONSTRAINT personal_link_kind CHECK ((kind = ANY (ARRAY['personal'::text, 'message'::text, 'calendar'::text])))
);

CREATE TABLE public.programme (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    title text NOT NULL,
    weeks integer NOT NULL,
    created_at timestamp with time zone NOT NULL,
    revision integer DEFAULT 1 NOT NULL,
    frame jsonb DEFAULT '{}'::jsonb NOT NULL,
    CONSTRAINT programme_frame_object CHECK ((jsonb_typeof(frame) = 'object'::text)),
    CONSTRAINT programme_title_length CHECK (((length(title) >= 1) AND (length(title) <= 120))),
    CONSTRAINT programme_weeks CHECK (((weeks >= 1) AND (weeks <= 52)))
);

CREATE TABLE public.programme_change (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    programme_id bigint NOT NULL,
    words text NOT NULL,
    before jsonb NOT NULL,
    after jsonb NOT NULL,
    made_at timestamp with time zone NOT NULL,
    made_by bigint NOT NULL,
    is_undone boolean DEFAULT false NOT NULL,
    CONSTRAINT programme_change_words_length CHECK (((length(words) >= 1) AND (length(words) <= 200)))
);

ALTER TABLE public.programme_change ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.programme_change_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

ALTER TABLE public.programme ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.programme_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.proposal_answer (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    enrolment_id bigint,
    key text NOT NULL,
    answer text NOT NULL,
    words text NOT NULL,
    change jsonb DEFAULT '{}'::jsonb NOT NULL,
    was jsonb DEFAULT '{}'::jsonb NOT NULL,
    coach_id bigint,
    answered_at timestamp with time zone NOT NULL,
    undone_at timestamp with time zone,
    CONSTRAINT proposal_answer_answer CHECK ((answer = ANY (ARRAY['accepted'::text, 'declined'::text]))),
    CONSTRAINT proposal_answer_key_length CHECK (((length(key) >= 1) AND (length(key) <= 200))),
    CONSTRAINT proposal_answer_words_length CHECK ((length(words) <= 500))
);

ALTER TABLE public.proposal_answer ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.proposal_answer_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.pulse (
    kind text NOT NULL,
    seen_at timestamp with time zone NOT NULL,
    app_at timestamp with time zone NOT NULL,
    failing_since timestamp with time zone,
    CONSTRAINT pulse_kind CHECK ((kind = ANY (ARRAY['work'::text, 'serve'::text, 'mail'::text])))
);

CREATE TABLE public.record (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    version_id bigint NOT NULL,
    client_id uuid NOT NULL,
    outcome text NOT NULL,
    share_ratio real NOT NULL,
    effort smallint,
    remark text DEFAULT ''::text NOT NULL,
    scores jsonb DEFAULT '[]'::jsonb NOT NULL,
    logged_at timestamp with time zone NOT NULL,
    fit jsonb DEFAULT '[]'::jsonb NOT NULL,
    made_at timestamp with time zone NOT NULL,
    details jsonb DEFAULT '{}'::jsonb NOT NULL,
    CONSTRAINT record_effort CHECK (((effort >= 0) AND (effort <= 10))),
    CONSTRAINT record_outcome CHECK ((outcome = ANY (ARRAY['done'::text, 'part'::text, 'not-done'::text]))),
    CONSTRAINT record_remark_length CHECK ((length(remark) <= 1000)),
    CONSTRAINT record_share CHECK (((share_ratio >= (0)::double precision) AND (share_ratio <= (1)::double precision)))
);

ALTER TABLE public.record ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.record_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.recovery_code (
    workspace_id bigint NOT NULL,
    coach_id bigint NOT NULL,
    code_hash bytea NOT NULL,
    used_at timestamp with time zone
);

CREATE TABLE public.release (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    day_id bigint NOT NULL,
    version_id bigint NOT NULL,
    released_at timestamp with time zone NOT NULL,
    is_told boolean DEFAULT false NOT NULL,
    opened_at timestamp with time zone,
    begun_at timestamp with time zone
);

ALTER TABLE public.release ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.release_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.routine (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    name text NOT NULL,
    text text NOT NULL,
    changed_at timestamp with time zone NOT NULL,
    CONSTRAINT routine_name_length CHECK (((length(name) >= 1) AND (length(name) <= 80))),
    CONSTRAINT routine_text_length CHECK (((length(text) >= 1) AND (length(text) <= 20000)))
);

ALTER TABLE public.routine ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.routine_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.run (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    programme_id bigint NOT NULL,
    starts_on date NOT NULL,
    release_time time without time zone DEFAULT '05:00:00'::time without time zone NOT NULL,
    title text DEFAULT ''::text NOT NULL,
    calendar text DEFAULT 'host'::text NOT NULL,
    release_zone text,
    is_by_hand boolean DEFAULT false NOT NULL,
    look_ahead_days integer DEFAULT 0 NOT NULL,
    make_up_days integer,
    joins_late text DEFAULT 'with-rest'::text NOT NULL,
    held_at timestamp with time zone,
    ended_on date,
    archived_at timestamp with time zone,
    join_code text,
    join_open boolean DEFAULT false NOT NULL,
    join_limit integer,
    join_words text DEFAULT ''::text NOT NULL,
    feed_hash bytea,
    attention jsonb DEFAULT '{}'::jsonb NOT NULL,
    shared jsonb,
    has_boards boolean DEFAULT false NOT NULL,
    voice text DEFAULT 'all'::text NOT NULL,
    warm_up text DEFAULT ''::text NOT NULL,
    warm_up_film text DEFAULT ''::text NOT NULL,
    reply_to text DEFAULT ''::text NOT NULL,
    CONSTRAINT run_calendar CHECK ((calendar = ANY (ARRAY['host'::text, 'own'::text]))),
    CONSTRAINT run_join_code_shape CHECK ((join_code ~ '^[a-z0-9]{12,40}$'::text)),
    CONSTRAINT run_join_limit CHECK (((join_limit >= 1) AND (join_limit <= 20000))),
    CONSTRAINT run_join_words_length CHECK ((length(join_words) <= 500)),
    CONSTRAINT run_joins_late CHECK ((joins_late = ANY (ARRAY['with-rest'::text, 'from-day-1'::text]))),
    CONSTRAINT run_look_ahead CHECK (((look_ahead_days >= 0) AND (look_ahead_days <= 14))),
    CONSTRAINT run_make_up CHECK (((make_up_days >= 0) AND (make_up_days <= 60))),
    CONSTRAINT run_reply_to_length CHECK ((length(reply_to) <= 254)),
    CONSTRAINT run_title_length CHECK ((length(title) <= 80)),
    CONSTRAINT run_voice CHECK ((voice = ANY (ARRAY['all'::text, 'changes'::text, 'numbers'::text, 'off'::text]))),
    CONSTRAINT run_warm_up CHECK ((length(warm_up) <= 1000)),
    CONSTRAINT run_warm_up_film CHECK ((length(warm_up_film) <= 300))
);

CREATE TABLE public.run_day (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    day_id bigint NOT NULL,
    withdrawn_at timestamp with time zone,
    withdrawn_note text DEFAULT ''::text NOT NULL,
    sequence integer DEFAULT 0 NOT NULL,
    live_at timestamp with time zone,
    live_place text DEFAULT ''::text NOT NULL,
    live_limit integer,
    live_code text,
    live_minutes integer DEFAULT 60 NOT NULL,
    CONSTRAINT run_day_live_code_shape CHECK ((live_code ~ '^[0-9A-Z]{4,8}$'::text)),
    CONSTRAINT run_day_live_limit CHECK (((live_limit >= 1) AND (live_limit <= 20000))),
    CONSTRAINT run_day_live_minutes CHECK (((live_minutes >= 5) AND (live_minutes <= 600))),
    CONSTRAINT run_day_live_place_length CHECK ((length(live_place) <= 300)),
    CONSTRAINT run_day_withdrawn_note_length CHECK ((length(withdrawn_note) <= 500))
);

ALTER TABLE public.run_day ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.run_day_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

ALTER TABLE public.run ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.run_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.run_shift (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    week integer NOT NULL,
    weekday integer NOT NULL,
    weeks integer NOT NULL,
    time_zone text,
    made_at timestamp with time zone NOT NULL,
    made_by bigint,
    CONSTRAINT run_shift_weekday CHECK (((weekday >= 1) AND (weekday <= 7))),
    CONSTRAINT run_shift_weeks CHECK (((weeks >= 1) AND (weeks <= 8)))
);

ALTER TABLE public.run_shift ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.run_shift_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.scale_override (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    scale_id text NOT NULL,
    scale jsonb NOT NULL,
    changed_at timestamp with time zone DEFAULT now() NOT NULL,
    CONSTRAINT scale_override_id_length CHECK (((length(scale_id) >= 1) AND (length(scale_id) <= 100)))
);

ALTER TABLE public.scale_override ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.scale_override_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.schema_migration (
    number integer NOT NULL,
    name text NOT NULL,
    sha256 text NOT NULL,
    applied_at timestamp with time zone DEFAULT now() NOT NULL
);

CREATE TABLE public.version (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    day_id bigint NOT NULL,
    number integer NOT NULL,
    text text NOT NULL,
    document jsonb NOT NULL,
    change_note text DEFAULT ''::text NOT NULL,
    sent_at timestamp with time zone NOT NULL,
    sent_by bigint,
    title text GENERATED ALWAYS AS ((document ->> 'title'::text)) STORED,
    retest text GENERATED ALWAYS AS ((document ->> 'retest'::text)) STORED,
    CONSTRAINT version_change_note_length CHECK ((length(change_note) <= 500)),
    CONSTRAINT version_number CHECK ((number >= 1))
);

CREATE VIEW public.sent_day WITH (security_invoker='true') AS
 SELECT DISTINCT ON (v.run_id, v.day_id) v.id,
    v.workspace_id,
    v.run_id,
    v.day_id,
    v.number,
    v.text,
    v.document,
    v.change_note,
    v.sent_at,
    v.sent_by,
    v.title,
    v.retest,
    min(v.sent_at) OVER (PARTITION BY v.run_id, v.day_id) AS first_sent_at
   FROM public.version v
  ORDER BY v.run_id, v.day_id, v.number DESC;

CREATE TABLE public.sign_in_attempt (
    key_hash bytea NOT NULL,
    attempted_at timestamp with time zone NOT NULL
);

CREATE TABLE public.standing (
    workspace_id bigint NOT NULL,
    run_id bigint NOT NULL,
    enrolment_id bigint NOT NULL,
    day_id bigint NOT NULL,
    record_id bigint NOT NULL,
    version_id bigint NOT NULL,
    outcome text NOT NULL,
    share_ratio real NOT NULL,
    effort smallint,
    made_at timestamp with time zone NOT NULL,
    has_scores boolean NOT NULL,
    has_swaps boolean NOT NULL,
    has_details boolean NOT NULL,
    last_block smallint
);

CREATE TABLE public.template (
    id bigint NOT NULL,
    workspace_id bigint NOT NULL,
    title text NOT NULL,
    document jsonb NOT NULL,
    changed_at timestamp with time zone NOT NULL,
    CONSTRAINT template_title_length CHECK (((length(title) >= 1) AND (length(title) <= 120)))
);

ALTER TABLE public.template ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.template_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

ALTER TABLE public.version ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.version_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

CREATE TABLE public.workspace (
    id bigint NOT NULL,
    name text NOT NULL,
    paper text DEFAULT 'a4'::text NOT NULL,
    CONSTRAINT workspace_name_length CHECK (((length(name) >= 1) AND (length(name) <= 120))),
    CONSTRAINT workspace_paper CHECK ((paper = ANY (ARRAY['a4'::text, 'letter'::text])))
);

ALTER TABLE public.workspace ALTER COLUMN id ADD GENERATED ALWAYS AS IDENTITY (
    SEQUENCE NAME public.workspace_id_seq
    START WITH 1
    INCREMENT BY 1
    NO MINVALUE
    NO MAXVALUE
    CACHE 1
);

ALTER TABLE ONLY public.absence
    ADD CONSTRAINT absence_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.address_key
    ADD CONSTRAINT address_key_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY public.audit
    ADD CONSTRAINT audit_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.base_movement
    ADD CONSTRAINT base_movement_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.calendar_entry
    ADD CONSTRAINT calendar_entry_pkey PRIMARY KEY (workspace_id, uid);

ALTER TABLE ONLY public.coach_act
    ADD CONSTRAINT coach_act_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.coach_device
    ADD CONSTRAINT coach_device_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY public.coach_door
    ADD CONSTRAINT coach_door_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY public.coach
    ADD CONSTRAINT coach_email_unique UNIQUE (email);

ALTER TABLE ONLY public.coach
    ADD CONSTRAINT coach_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.coach
    ADD CONSTRAINT coach_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.coach_session
    ADD CONSTRAINT coach_session_id UNIQUE (id);

ALTER TABLE ONLY public.coach_session
    ADD CONSTRAINT coach_session_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY public.day_flag
    ADD CONSTRAINT day_flag_pkey PRIMARY KEY (run_id, day_id, hours_ahead);

ALTER TABLE ONLY public.day
    ADD CONSTRAINT day_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.day
    ADD CONSTRAINT day_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.day
    ADD CONSTRAINT day_place_unique UNIQUE (programme_id, week, weekday);

ALTER TABLE ONLY public.day
    ADD CONSTRAINT day_session_once UNIQUE (workspace_id, session) DEFERRABLE INITIALLY DEFERRED;

ALTER TABLE ONLY public.enrolment
    ADD CONSTRAINT enrolment_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.enrolment
    ADD CONSTRAINT enrolment_once UNIQUE (run_id, person_id);

ALTER TABLE ONLY public.enrolment
    ADD CONSTRAINT enrolment_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.hour_use
    ADD CONSTRAINT hour_use_pkey PRIMARY KEY (workspace_id, subject, hour_at);

ALTER TABLE ONLY public.ladder_override
    ADD CONSTRAINT ladder_override_once UNIQUE (workspace_id, ladder_id);

ALTER TABLE ONLY public.ladder_override
    ADD CONSTRAINT ladder_override_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.late_choice
    ADD CONSTRAINT late_choice_pkey PRIMARY KEY (run_id, day_id, time_zone);

ALTER TABLE ONLY public.live_reply
    ADD CONSTRAINT live_reply_pkey PRIMARY KEY (run_day_id, enrolment_id);

ALTER TABLE ONLY public.message
    ADD CONSTRAINT message_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.movement_override
    ADD CONSTRAINT movement_override_once UNIQUE (workspace_id, movement_id);

ALTER TABLE ONLY public.movement_override
    ADD CONSTRAINT movement_override_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.outage
    ADD CONSTRAINT outage_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.pain
    ADD CONSTRAINT pain_once UNIQUE (enrolment_id, client_id);

ALTER TABLE ONLY public.pain
    ADD CONSTRAINT pain_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.person
    ADD CONSTRAINT person_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.person
    ADD CONSTRAINT person_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.personal_link
    ADD CONSTRAINT personal_link_pkey PRIMARY KEY (token_hash);

ALTER TABLE ONLY public.programme_change
    ADD CONSTRAINT programme_change_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.programme
    ADD CONSTRAINT programme_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.programme
    ADD CONSTRAINT programme_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.proposal_answer
    ADD CONSTRAINT proposal_answer_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.pulse
    ADD CONSTRAINT pulse_pkey PRIMARY KEY (kind);

ALTER TABLE ONLY public.record
    ADD CONSTRAINT record_once UNIQUE (enrolment_id, client_id);

ALTER TABLE ONLY public.record
    ADD CONSTRAINT record_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.recovery_code
    ADD CONSTRAINT recovery_code_pkey PRIMARY KEY (coach_id, code_hash);

ALTER TABLE ONLY public.release
    ADD CONSTRAINT release_once UNIQUE (enrolment_id, day_id);

ALTER TABLE ONLY public.release
    ADD CONSTRAINT release_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.release_stop
    ADD CONSTRAINT release_stop_pkey PRIMARY KEY (enrolment_id, day_id);

ALTER TABLE ONLY public.routine
    ADD CONSTRAINT routine_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.routine
    ADD CONSTRAINT routine_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.run_day
    ADD CONSTRAINT run_day_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.run_day
    ADD CONSTRAINT run_day_once UNIQUE (run_id, day_id);

ALTER TABLE ONLY public.run_day
    ADD CONSTRAINT run_day_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.run
    ADD CONSTRAINT run_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.run
    ADD CONSTRAINT run_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.run_shift
    ADD CONSTRAINT run_shift_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.scale_override
    ADD CONSTRAINT scale_override_once UNIQUE (workspace_id, scale_id);

ALTER TABLE ONLY public.scale_override
    ADD CONSTRAINT scale_override_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.schema_migration
    ADD CONSTRAINT schema_migration_pkey PRIMARY KEY (number);

ALTER TABLE ONLY public.standing
    ADD CONSTRAINT standing_pkey PRIMARY KEY (enrolment_id, day_id);

ALTER TABLE ONLY public.template
    ADD CONSTRAINT template_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.version
    ADD CONSTRAINT version_in_workspace UNIQUE (workspace_id, id);

ALTER TABLE ONLY public.version
    ADD CONSTRAINT version_number_unique UNIQUE (run_id, day_id, number);

ALTER TABLE ONLY public.version
    ADD CONSTRAINT version_pkey PRIMARY KEY (id);

ALTER TABLE ONLY public.workspace
    ADD CONSTRAINT workspace_pkey PRIMARY KEY (id);

CREATE INDEX absence_by_enrolment ON public.absence USING btree (enrolment_id);

CREATE INDEX address_key_by_person ON public.address_key USING btree (person_id);

CREATE INDEX audit_by_time ON public.audit USING btree (workspace_id, id DESC);

CREATE INDEX audit_of_person ON public.audit USING btree (person_id, coach_id, at) WHERE (person_id IS NOT NULL);

CREATE INDEX calendar_entry_of_enrolment ON public.calendar_entry USING btree (workspace_id, enrolment_id);

CREATE INDEX calendar_entry_of_run ON public.calendar_entry USING btree (workspace_id, run_id);

CREATE INDEX coach_act_by_enrolment ON public.coach_act USING btree (enrolment_id, made_at DESC);

CREATE INDEX coach_device_coach ON public.coach_device USING btree (coach_id, seen_at);

CREATE INDEX coach_session_by_coach ON public.coach_session USING btree (coach_id);

CREATE INDEX coach_session_expires ON public.coach_session USING btree (expires_at);

CREATE INDEX message_by_day ON public.message USING btree (run_id, day_id) WHERE (day_id IS NOT NULL);

CREATE INDEX message_by_run ON public.message USING btree (run_id, created_at DESC, id DESC);

CREATE UNIQUE INDEX message_once ON public.message USING btree (enrolment_id, day_id, kind, number, repetition) NULLS NOT DISTINCT WHERE (enrolment_id IS NOT NULL);

CREATE UNIQUE INDEX message_once_coach ON public.message USING btree (coach_id, run_id, day_id, kind, number, repetition) WHERE ((coach_id IS NOT NULL) AND (kind = 'flag'::text));

CREATE INDEX message_stoppable ON public.message USING btree (run_id) WHERE ((stoppable_until IS NOT NULL) AND (state = 'waiting'::text));

CREATE INDEX message_waiting ON public.message USING btree (next_try_at) WHERE (state = ANY (ARRAY['waiting'::text, 'sending'::text]));

CREATE INDEX outage_by_end ON public.outage USING btree (to_at);

CREATE INDEX pain_lately ON public.pain USING btree (version_id, told_at);

CREATE UNIQUE INDEX person_stop_key ON public.person USING btree (stop_key);

CREATE UNIQUE INDEX personal_link_one_works ON public.personal_link USING btree (person_id, kind) WHERE (revoked_at IS NULL);

CREATE INDEX programme_change_by_programme ON public.programme_change USING btree (programme_id, id);

CREATE INDEX proposal_answer_by_run ON public.proposal_answer USING btree (run_id, key);

CREATE INDEX record_by_enrolment ON public.record USING btree (enrolment_id, logged_at);

CREATE INDEX record_by_time ON public.record USING btree (workspace_id, logged_at);

CREATE INDEX record_by_version ON public.record USING btree (version_id);

CREATE INDEX record_lately ON public.record USING btree (version_id, logged_at);

CREATE INDEX record_newest ON public.record USING btree (enrolment_id, version_id, made_at DESC, id DESC);

CREATE INDEX release_by_day ON public.release USING btree (day_id);

CREATE INDEX release_stop_by_day ON public.release_stop USING btree (day_id);

CREATE UNIQUE INDEX routine_name_unique ON public.routine USING btree (workspace_id, lower(name));

CREATE INDEX run_by_programme ON public.run USING btree (programme_id);

CREATE UNIQUE INDEX run_feed_unique ON public.run USING btree (feed_hash) WHERE (feed_hash IS NOT NULL);

CREATE UNIQUE INDEX run_join_code_unique ON public.run USING btree (join_code) WHERE (join_code IS NOT NULL);

CREATE INDEX run_shift_by_run ON public.run_shift USING btree (run_id);

CREATE INDEX sign_in_attempt_key ON public.sign_in_attempt USING btree (key_hash, attempted_at);

CREATE INDEX standing_by_run ON public.standing USING btree (run_id, record_id);

CREATE INDEX standing_details ON public.standing USING btree (run_id, day_id) WHERE has_details;

CREATE INDEX standing_parts ON public.standing USING btree (run_id) WHERE (outcome = 'part'::text);

CREATE INDEX standing_scores ON public.standing USING btree (run_id, day_id) WHERE has_scores;

CREATE INDEX standing_swaps ON public.standing USING btree (run_id) WHERE has_swaps;

CREATE UNIQUE INDEX template_title_unique ON public.template USING btree (workspace_id, lower(title));

CREATE INDEX version_by_day ON public.version USING btree (day_id, run_id, number DESC);

CREATE TRIGGER record_is_immutable BEFORE UPDATE ON public.record FOR EACH ROW EXECUTE FUNCTION public.refuse_change();

CREATE TRIGGER record_is_never_emptied BEFORE TRUNCATE ON public.record FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_removal();

CREATE TRIGGER record_stands AFTER INSERT ON public.record REFERENCING NEW TABLE AS added FOR EACH STATEMENT EXECUTE FUNCTION public.keep_standing();

CREATE TRIGGER version_is_immutable BEFORE UPDATE ON public.version FOR EACH ROW EXECUTE FUNCTION public.refuse_change();

CREATE TRIGGER version_is_never_emptied BEFORE TRUNCATE ON public.version FOR EACH STATEMENT EXECUTE FUNCTION public.refuse_removal();

CREATE TRIGGER version_stays BEFORE DELETE ON public.version FOR EACH ROW EXECUTE FUNCTION public.refuse_removal();

ALTER TABLE ONLY public.absence
    ADD CONSTRAINT absence_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.address_key
    ADD CONSTRAINT address_key_workspace_id_person_id_fkey FOREIGN KEY (workspace_id, person_id) REFERENCES public.person(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.audit
    ADD CONSTRAINT audit_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id);

ALTER TABLE ONLY public.audit
    ADD CONSTRAINT audit_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.calendar_entry
    ADD CONSTRAINT calendar_entry_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.calendar_entry
    ADD CONSTRAINT calendar_entry_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.calendar_entry
    ADD CONSTRAINT calendar_entry_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.coach_act
    ADD CONSTRAINT coach_act_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id);

ALTER TABLE ONLY public.coach_act
    ADD CONSTRAINT coach_act_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.coach_device
    ADD CONSTRAINT coach_device_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.coach_door
    ADD CONSTRAINT coach_door_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.coach_door
    ADD CONSTRAINT coach_door_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.coach_session
    ADD CONSTRAINT coach_session_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.coach
    ADD CONSTRAINT coach_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.day_flag
    ADD CONSTRAINT day_flag_workspace_id_day_id_fkey FOREIGN KEY (workspace_id, day_id) REFERENCES public.day(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.day_flag
    ADD CONSTRAINT day_flag_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.day
    ADD CONSTRAINT day_workspace_id_programme_id_fkey FOREIGN KEY (workspace_id, programme_id) REFERENCES public.programme(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.enrolment
    ADD CONSTRAINT enrolment_workspace_id_person_id_fkey FOREIGN KEY (workspace_id, person_id) REFERENCES public.person(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.enrolment
    ADD CONSTRAINT enrolment_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.hour_use
    ADD CONSTRAINT hour_use_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.ladder_override
    ADD CONSTRAINT ladder_override_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.late_choice
    ADD CONSTRAINT late_choice_workspace_id_day_id_fkey FOREIGN KEY (workspace_id, day_id) REFERENCES public.day(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.late_choice
    ADD CONSTRAINT late_choice_workspace_id_made_by_fkey FOREIGN KEY (workspace_id, made_by) REFERENCES public.coach(workspace_id, id);

ALTER TABLE ONLY public.late_choice
    ADD CONSTRAINT late_choice_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.live_reply
    ADD CONSTRAINT live_reply_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.live_reply
    ADD CONSTRAINT live_reply_workspace_id_run_day_id_fkey FOREIGN KEY (workspace_id, run_day_id) REFERENCES public.run_day(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.message
    ADD CONSTRAINT message_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.message
    ADD CONSTRAINT message_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.message
    ADD CONSTRAINT message_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.message
    ADD CONSTRAINT message_workspace_id_person_id_fkey FOREIGN KEY (workspace_id, person_id) REFERENCES public.person(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.message
    ADD CONSTRAINT message_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.movement_override
    ADD CONSTRAINT movement_override_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.pain
    ADD CONSTRAINT pain_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.pain
    ADD CONSTRAINT pain_workspace_id_version_id_fkey FOREIGN KEY (workspace_id, version_id) REFERENCES public.version(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.person
    ADD CONSTRAINT person_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.personal_link
    ADD CONSTRAINT personal_link_person FOREIGN KEY (workspace_id, person_id) REFERENCES public.person(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.programme_change
    ADD CONSTRAINT programme_change_workspace_id_made_by_fkey FOREIGN KEY (workspace_id, made_by) REFERENCES public.coach(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.programme_change
    ADD CONSTRAINT programme_change_workspace_id_programme_id_fkey FOREIGN KEY (workspace_id, programme_id) REFERENCES public.programme(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.programme
    ADD CONSTRAINT programme_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.proposal_answer
    ADD CONSTRAINT proposal_answer_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id);

ALTER TABLE ONLY public.proposal_answer
    ADD CONSTRAINT proposal_answer_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.proposal_answer
    ADD CONSTRAINT proposal_answer_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.record
    ADD CONSTRAINT record_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.record
    ADD CONSTRAINT record_workspace_id_version_id_fkey FOREIGN KEY (workspace_id, version_id) REFERENCES public.version(workspace_id, id);

ALTER TABLE ONLY public.recovery_code
    ADD CONSTRAINT recovery_code_workspace_id_coach_id_fkey FOREIGN KEY (workspace_id, coach_id) REFERENCES public.coach(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.release_stop
    ADD CONSTRAINT release_stop_workspace_id_day_id_fkey FOREIGN KEY (workspace_id, day_id) REFERENCES public.day(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.release_stop
    ADD CONSTRAINT release_stop_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.release_stop
    ADD CONSTRAINT release_stop_workspace_id_made_by_fkey FOREIGN KEY (workspace_id, made_by) REFERENCES public.coach(workspace_id, id);

ALTER TABLE ONLY public.release
    ADD CONSTRAINT release_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.release
    ADD CONSTRAINT release_workspace_id_version_id_fkey FOREIGN KEY (workspace_id, version_id) REFERENCES public.version(workspace_id, id);

ALTER TABLE ONLY public.routine
    ADD CONSTRAINT routine_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.run_day
    ADD CONSTRAINT run_day_workspace_id_day_id_fkey FOREIGN KEY (workspace_id, day_id) REFERENCES public.day(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.run_day
    ADD CONSTRAINT run_day_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.run_shift
    ADD CONSTRAINT run_shift_workspace_id_made_by_fkey FOREIGN KEY (workspace_id, made_by) REFERENCES public.coach(workspace_id, id);

ALTER TABLE ONLY public.run_shift
    ADD CONSTRAINT run_shift_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.run
    ADD CONSTRAINT run_workspace_id_programme_id_fkey FOREIGN KEY (workspace_id, programme_id) REFERENCES public.programme(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.scale_override
    ADD CONSTRAINT scale_override_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.standing
    ADD CONSTRAINT standing_workspace_id_enrolment_id_fkey FOREIGN KEY (workspace_id, enrolment_id) REFERENCES public.enrolment(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.template
    ADD CONSTRAINT template_workspace_id_fkey FOREIGN KEY (workspace_id) REFERENCES public.workspace(id);

ALTER TABLE ONLY public.version
    ADD CONSTRAINT version_workspace_id_day_id_fkey FOREIGN KEY (workspace_id, day_id) REFERENCES public.day(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE ONLY public.version
    ADD CONSTRAINT version_workspace_id_run_id_fkey FOREIGN KEY (workspace_id, run_id) REFERENCES public.run(workspace_id, id) ON DELETE CASCADE;

ALTER TABLE public.absence ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.address_key ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.audit ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.calendar_entry ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.coach ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.coach_act ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.coach_device ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.coach_door ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.coach_session ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.day ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.day_flag ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.enrolment ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.hour_use ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.ladder_override ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.late_choice ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.live_reply ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.message ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.movement_override ENABLE ROW LEVEL SECURITY;

CREATE POLICY own_workspace ON public.absence USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.address_key USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.audit USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.calendar_entry USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.coach USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.coach_act USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.coach_device USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.coach_door USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.coach_session USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.day USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.day_flag USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.enrolment USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.hour_use USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.ladder_override USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.late_choice USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.live_reply USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.message USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.movement_override USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.pain USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.person USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.personal_link USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.programme USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.programme_change USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.proposal_answer USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.record USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.recovery_code USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.release USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.release_stop USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.routine USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.run USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.run_day USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.run_shift USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.scale_override USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.standing USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.template USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.version USING ((workspace_id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

CREATE POLICY own_workspace ON public.workspace USING ((id = ( SELECT (NULLIF(current_setting('ysodos.workspace_id'::text, true), ''::text))::bigint AS "nullif")));

ALTER TABLE public.pain ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.person ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.personal_link ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.programme ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.programme_change ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.proposal_answer ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.record ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.recovery_code ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.release ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.release_stop ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.routine ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.run ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.run_day ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.run_shift ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.scale_override ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.standing ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.template ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.version ENABLE ROW LEVEL SECURITY;

ALTER TABLE public.workspace ENABLE ROW LEVEL SECURITY;

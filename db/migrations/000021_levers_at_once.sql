-- "More than so many changes at once" is "so many or more" now: a number that a coach set means what it meant.
update programme set frame = jsonb_set(frame, '{guards,thresholds,levers-at-once}',
    to_jsonb((frame #>> '{guards,thresholds,levers-at-once}')::numeric + 1))
  where frame #> '{guards,thresholds}' ? 'levers-at-once';

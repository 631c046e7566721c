import { lazy, Suspense } from 'react';
import type { FilePickProps } from './dropped-file.tsx';

// Loaded where a file may come: few who open a page bring one.
const DroppedFile = lazy(() => import('./dropped-file.tsx'));

/** A file from this computer: chosen, or dropped on it. It is read here and isn't sent anywhere by this. */
export const FilePick = (props: FilePickProps) => (
  <Suspense
    fallback={
      <label className="file-pick">
        {props.label}{' '}
        <input
          type="file"
          accept={props.accept}
          onChange={(event) => {
            const file = event.target.files?.[0];
            if (file) props.onFile(file);
          }}
        />
      </label>
    }
  >
    <DroppedFile {...props} />
  </Suspense>
);

import type { ReactNode } from 'react';
import { createContext, useContext, useState } from 'react';
import { useLocation } from 'react-router';

const IsSaving = createContext(false);

/** Knows of every form that is sent from the pages within. Each answer brings a new location key, which ends the saving. */
export function SaveScope({ children }: { children: ReactNode }) {
  const { key } = useLocation();
  const [sentFrom, setSentFrom] = useState<string>();
  return (
    <IsSaving value={sentFrom === key}>
      <div className="save-scope" onSubmitCapture={() => setSentFrom(key)}>
        {children}
      </div>
    </IsSaving>
  );
}

/** What became of the last save: gone from the press that sends the next one. */
export function SaveNote({ children, isBad = false }: { children: ReactNode; isBad?: boolean }) {
  if (useContext(IsSaving)) return null;
  return (
    <p className={isBad ? 'notice bad' : 'notice'} role={isBad ? 'alert' : 'status'}>
      {children}
    </p>
  );
}

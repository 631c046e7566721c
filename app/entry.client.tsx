import { StrictMode, startTransition } from 'react';
import { hydrateRoot } from 'react-dom/client';
import { HydratedRouter } from 'react-router/dom';
import { NonceContext } from './shell/frame/nonce-context.ts';

const nonce = document.querySelector<HTMLScriptElement>('script[nonce]')?.nonce ?? '';

startTransition(() => {
  hydrateRoot(
    document,
    <StrictMode>
      <NonceContext value={nonce}>
        <HydratedRouter />
      </NonceContext>
    </StrictMode>,
  );
});

import { createContext } from 'react';

/** The number used once that this page's own scripts and styles carry under the content-security policy. */
export const NonceContext = createContext('');

/** The header in which the application is told who asks. Whatever a client sends under such a name is dropped. */
export const ADDRESS_HEADER = 'x-ysodos-address';

import { fileURLToPath } from 'node:url';
import { reactRouter } from '@react-router/dev/vite';
import type { Plugin } from 'vite';
import { defineConfig } from 'vite';

const router = (file: string) =>
  fileURLToPath(new URL(`./node_modules/react-router/dist/production/${file}`, import.meta.url));

/** What a page takes from the server but its loader and action would come along to the browser; the build ends with what it was. */
const nothingOfTheServer: Plugin = {
  name: 'nothing-of-the-server',
  load(id) {
    if (
      this.environment.name === 'client' &&
      /^[^?]*[\\/](?:server|db)[\\/][^?]*\.tsx?$/.test(id) &&
      !id.includes('node_modules')
    )
      this.error(`${id} would come along to the browser: a page uses something of it outside its loader and action`);
    return null;
  },
};

export default defineConfig(({ command }) => ({
  plugins: [reactRouter(), nothingOfTheServer],
  worker: { format: 'es' },
  // Pages that a phone keeps are fetched anew when the application has changed.
  define: { __BUILD_ID__: JSON.stringify(process.env.YSODOS_BUILD ?? Date.now().toString(36)) },
  build: { target: 'es2022', assetsInlineLimit: 0 },
  environments: {
    client: {
      build: {
        rolldownOptions: {
          output: {
            // A participant's first page is a handful of files: many small ones take longer than one on a slow network.
            codeSplitting: {
              groups: [
                {
                  name: 'react',
                  test: /node_modules[\\/](?:react|react-dom|scheduler|react-router|cookie|set-cookie-parser)[\\/]|rolldown[\\/]runtime/,
                  priority: 3,
                },
                {
                  name: 'base',
                  test: /[\\/](?:app[\\/](?:(?:root|entry\.client)\.tsx|participant[\\/](?:base[\\/]|person\.tsx|participant\.css)|shell[\\/]frame[\\/]|charts[\\/]session[\\/])|core[\\/](?:words[\\/](?:words|format-clock)|care|calendar[\\/]day-place|record[\\/](?:adherence[\\/](?:packed-strand|strand)))\.ts|node_modules[\\/]idb[\\/])/,
                  priority: 2,
                },
                // What of the toolkit nearly every page of a coach has, as one file: the list of all pages names it once a page.
                {
                  name: 'toolkit',
                  test: /node_modules[\\/](?:@ant-design|@emotion|@rc-component[\\/](?:util|motion|portal|trigger|resize-observer|tooltip|input|textarea|context|overflow|mini-decimal)|antd[\\/]es[\\/](?:_util|app|button|config-provider|theme|style|space|input|popover|popconfirm|tooltip|message|version))[\\/]/,
                  priority: 1,
                },
              ],
            },
          },
        },
      },
    },
  },
  // react-router's package names its development files for everybody; a build takes the production ones, in the server's bundle
  // too, so that no setting can be forgotten.
  ...(command === 'build' && {
    resolve: {
      alias: [
        // Its own way to measure writes a style, which the content-security policy refuses.
        {
          find: /^(?:@rc-component\/util(?:\/es)?|\.|\.\.)\/getScrollBarSize(?:\.js)?$/,
          replacement: fileURLToPath(new URL('./app/parts/scroll-bar-size.ts', import.meta.url)),
        },
        { find: /^react-router$/, replacement: router('index.mjs') },
        { find: /^react-router\/dom$/, replacement: router('dom-export.mjs') },
      ],
    },
    ssr: { noExternal: ['react-router', '@react-router/node'] },
  }),
}));

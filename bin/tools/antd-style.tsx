/** Writes the style sheet of the antd components that the coach's screens use. Run before every build. */
import { writeFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { ReactElement } from 'react';
import { createElement } from 'react';
import { ANTD_SEEDS, antdTheme } from '../../app/theme/antd-theme.ts';

const require = createRequire(import.meta.url);
// The extractor and antd must be the same (CommonJS) copies, or their contexts don't meet.
const { extractStyle } =
  require('@ant-design/static-style-extract') as typeof import('@ant-design/static-style-extract');
const { ConfigProvider } = require('antd') as typeof import('antd');

// Deprecated parts that the extractor renders say so on the console; they aren't ours.
globalThis.console.error = () => undefined;

const extracted = extractStyle({
  includes: [
    'Button',
    'Checkbox',
    'DatePicker',
    'Input',
    'Modal',
    'Popconfirm',
    'Popover',
    'QRCode',
    'Radio',
    'Segmented',
    'Select',
    'Skeleton',
    'TimePicker',
    'Tooltip',
    'Upload',
    'Table',
    'Empty',
    'Spin',
    'Pagination',
    'message',
  ],
  customTheme: (node: ReactElement) =>
    createElement(ConfigProvider, { theme: { ...antdTheme, zeroRuntime: false } }, node),
} as Parameters<typeof extractStyle>[0]);

const TEXT = /rgba\(38,\s*33,\s*46,\s*([\d.]+)\)|rgba\(0,\s*0,\s*0,\s*([\d.]+)\)/g;
const css = extracted
  // Rules of the extractor's own nested providers.
  .replace(/[^{}]*\.css-var-_R_[^{}]*\{[^{}]*\}/g, '')
  .replace(/#[0-9a-f]{6}\b/gi, (hex) => {
    const token = ANTD_SEEDS[hex.toLowerCase()];
    return token ? `var(--${token})` : hex;
  })
  .replace(
    TEXT,
    (_all, a: string | undefined, b: string | undefined) =>
      `color-mix(in srgb, var(--ink) ${Math.round(Number(a ?? b) * 100)}%, transparent)`,
  )
  // Stronger than what a browser might still put in by itself.
  .replace(/(^|[},])\.app([.{])/g, '$1:root .app$2');
writeFileSync('app/theme/antd.generated.css', css);

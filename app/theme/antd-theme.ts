import type { ThemeConfig } from 'antd';

/**
 * How antd's components take on the look. The hex values are seeds for what antd derives; the style sheet made
 * of them (bin/antd-style.tsx) has every one replaced by our own token, so that light and dark are one sheet.
 */
export const antdTheme: ThemeConfig = {
  cssVar: { key: 'app' },
  hashed: false,
  zeroRuntime: true,
  token: {
    colorPrimary: '#7b2b5e', colorPrimaryHover: '#8c3a6e', colorPrimaryActive: '#651f4c', colorPrimaryBg: '#f0e2ea', colorPrimaryBgHover: '#ebd9e4',
    colorPrimaryBorder: '#b98aa8', colorPrimaryBorderHover: '#b98aa9', colorPrimaryText: '#7b2b5e', colorPrimaryTextHover: '#8c3a6e', colorPrimaryTextActive: '#651f4c',
    colorInfo: '#1e5b66', colorSuccess: '#1e5b66', colorWarning: '#a4432a', colorError: '#a4432a',
    colorErrorHover: '#a4432b', colorErrorActive: '#a4432c', colorErrorBorderHover: '#a4432d', colorErrorBg: '#f4ddd3', colorErrorOutline: '#f4ddd4',
    colorLink: '#7b2b5e', colorLinkHover: '#8c3a6e', colorLinkActive: '#651f4c',
    colorTextBase: '#26212e', colorText: '#26212e', colorTextSecondary: '#665f70', colorTextTertiary: '#665f71', colorTextQuaternary: '#665f72',
    colorTextPlaceholder: '#665f73', colorTextLightSolid: '#fffefc', colorIcon: '#665f74', colorIconHover: '#26212e',
    colorBgBase: '#fffdf8', colorBgContainer: '#fffdf8', colorBgElevated: '#fffdf9', colorBgLayout: '#f7f2e9', colorBgSpotlight: '#26212f', colorBgMask: 'rgba(38,33,46,0.46)',
    colorBorder: '#b5a992', colorBorderSecondary: '#ded5c6', colorSplit: '#ded5c7',
    controlItemBgActive: '#ebd9e4', controlItemBgHover: '#f0e2ea', controlOutline: '#ebd9e5',
    borderRadius: 8, controlHeight: 36, fontFamily: 'inherit', fontSize: 15, motionDurationMid: '0.12s', motionDurationSlow: '0.16s',
  },
  components: { Segmented: { itemSelectedBg: '#fffdf8', trackBg: '#f7f2e8', itemColor: '#665f70' }, Button: { primaryShadow: 'none', defaultShadow: 'none', dangerShadow: 'none', fontWeight: 600 } },
};

/** The seeds above, and the token that stands for each in the finished style sheet. */
export const ANTD_SEEDS: Readonly<Record<string, string>> = {
  '#7b2b5e': 'plum', '#8c3a6e': 'plum-hover', '#651f4c': 'plum-hover', '#f0e2ea': 'plum-faint', '#ebd9e4': 'plum-faint', '#ebd9e5': 'plum-faint',
  '#b98aa8': 'plum-soft', '#b98aa9': 'plum-soft', '#1e5b66': 'petrol',
  '#a4432a': 'rust', '#a4432b': 'rust', '#a4432c': 'rust', '#a4432d': 'rust', '#f4ddd3': 'rust-faint', '#f4ddd4': 'rust-faint',
  '#26212e': 'ink', '#26212f': 'ink', '#665f70': 'soft', '#665f71': 'soft', '#665f72': 'soft', '#665f73': 'soft', '#665f74': 'soft',
  '#fffefc': 'on-plum', '#fffdf8': 'sheet', '#fffdf9': 'sheet', '#f7f2e9': 'paper', '#f7f2e8': 'paper',
  '#b5a992': 'edge', '#ded5c6': 'line', '#ded5c7': 'line',
};

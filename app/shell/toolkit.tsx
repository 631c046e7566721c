import { StyleProvider } from '@ant-design/cssinjs';
import { App, ConfigProvider } from 'antd';
import type { ReactNode } from 'react';
import { useContext } from 'react';
import { inLandmark } from '../parts/in-landmark.ts';
import { antdTheme } from '../theme/antd-theme.ts';
import { NonceContext } from './frame/nonce-context.ts';

/** antd in our colours, for whatever stands in it. `mock="server"`: its styles come from the built sheet, none are put in by script. */
export function Toolkit({ children }: { children: ReactNode }) {
  const nonce = useContext(NonceContext);
  return (
    <StyleProvider mock="server">
      <ConfigProvider theme={antdTheme} csp={{ nonce }} getPopupContainer={inLandmark}>
        <App component={false} message={{ maxCount: 3 }}>
          {children}
        </App>
      </ConfigProvider>
    </StyleProvider>
  );
}

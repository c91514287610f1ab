import type { ThemeConfig } from 'antd';

/** Our own face over Ant Design's behaviour: a bead mat in daylight. The same colours stand in globals.css. */
export const theme: ThemeConfig = {
  zeroRuntime: true,
  cssVar: { key: 'ivy' },
  token: {
    // A motion that is cut short leaves a spinner’s name behind for screen readers; and stillness reads better.
    motion: false,
    fontFamily: "'Atkinson Hyperlegible Next', system-ui, sans-serif",
    fontSize: 16,
    controlHeight: 40,
    borderRadius: 10,
    colorPrimary: '#2f6b4f',
    colorSuccess: '#2f6b4f',
    colorError: '#a8432b',
    colorWarning: '#8a5a13',
    colorInfo: '#2b6c76',
    colorLink: '#2f6b4f',
    colorText: '#1e2b24',
    colorTextSecondary: '#46544c',
    colorTextTertiary: '#55625a',
    colorTextPlaceholder: '#5f6b63',
    colorBgBase: '#fffdf7',
    colorBorder: '#8a9a8f',
    colorBorderSecondary: '#ddd5bf',
    motionDurationMid: '0.15s',
  },
  components: {
    Button: {
      colorPrimary: '#1f3a2e',
      colorPrimaryHover: '#2f6b4f',
      colorPrimaryActive: '#16291f',
      primaryShadow: 'none',
    },
  },
};

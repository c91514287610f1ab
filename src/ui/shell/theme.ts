import { theme as antd, type ThemeConfig } from 'antd';

/** Our own face over Ant Design's behaviour. The same colours stand in globals.css. */
const DAYLIGHT = {
  colorPrimary: '#2f6b4f',
  colorSuccess: '#2f6b4f',
  colorError: '#a8432b',
  colorWarning: '#8a5a13',
  colorInfo: '#2b6c76',
  colorLink: '#2f6b4f',
  colorLinkHover: '#1f3a2e',
  colorLinkActive: '#1f3a2e',
  colorText: '#1e2b24',
  colorTextSecondary: '#46544c',
  colorTextTertiary: '#55625a',
  colorTextPlaceholder: '#5f6b63',
  colorBgBase: '#fffdf7',
  colorBorder: '#8a9a8f',
  colorBorderSecondary: '#ddd5bf',
};
const LAMPLIGHT: typeof DAYLIGHT = {
  colorPrimary: '#8cc7a4',
  colorSuccess: '#8cc7a4',
  colorError: '#f0a48c',
  colorWarning: '#e3bf77',
  colorInfo: '#8fc4cf',
  colorLink: '#8cc7a4',
  colorLinkHover: '#a6d8ba',
  colorLinkActive: '#a6d8ba',
  colorText: '#efe9db',
  colorTextSecondary: '#bcc4b9',
  colorTextTertiary: '#aeb7ad',
  colorTextPlaceholder: '#a3ada4',
  colorBgBase: '#202b25',
  colorBorder: '#74857a',
  colorBorderSecondary: '#3a473f',
};

/** The theme by daylight, or by the lamp. */
export const themeBy = (lamp: boolean): ThemeConfig => ({
  zeroRuntime: true,
  // Each has variables of its own: under one name the first to be seen would stay.
  cssVar: { key: lamp ? 'ivy-lamp' : 'ivy' },
  algorithm: lamp ? antd.darkAlgorithm : antd.defaultAlgorithm,
  token: {
    // A motion that is cut short leaves a spinner’s name behind for screen readers; and stillness reads better.
    motion: false,
    fontFamily: "'Atkinson Hyperlegible Next', system-ui, sans-serif",
    fontSize: 16,
    controlHeight: 40,
    borderRadius: 10,
    motionDurationMid: '0.15s',
    ...(lamp ? { ...LAMPLIGHT, colorBgContainer: '#1b2520', colorBgElevated: '#26332c' } : DAYLIGHT),
  },
  components: {
    Button: lamp
      ? {
          primaryColor: '#12201a',
          colorPrimary: '#8cc7a4',
          colorPrimaryHover: '#a6d8ba',
          colorPrimaryActive: '#77b491',
          primaryShadow: 'none',
        }
      : {
          colorPrimary: '#1f3a2e',
          colorPrimaryHover: '#2f6b4f',
          colorPrimaryActive: '#16291f',
          primaryShadow: 'none',
        },
  },
});

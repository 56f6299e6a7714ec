import { theme, type ThemeConfig } from 'antd';
import { DEN, PAPER } from '@core/paper/palette';

const shared = {
  fontFamily: 'var(--font-figtree), sans-serif',
  fontSize: 14,
  borderRadius: 8,
  controlHeight: 34,
  // Nothing slides or fades: the hand does not wait, and dialogs need no end of an animation to be gone.
  motion: false,
} as const;

/** Dark, for judging pictures. */
export const denTheme: ThemeConfig = {
  algorithm: theme.darkAlgorithm,
  token: {
    ...shared,
    colorPrimary: DEN.ember,
    colorLink: DEN.ember,
    colorTextLightSolid: DEN.emberInk,
    colorBgBase: DEN.ground,
    colorBgContainer: DEN.raised,
    colorBgElevated: DEN.raised,
    colorBorder: DEN.edge,
    colorBorderSecondary: DEN.line,
    colorText: DEN.text,
    colorTextSecondary: DEN.muted,
    colorTextTertiary: DEN.muted,
    colorTextDescription: DEN.muted,
    colorTextPlaceholder: DEN.muted,
    colorError: DEN.poor,
    colorWarning: DEN.care,
    colorSuccess: DEN.good,
  },
  components: { Button: { primaryColor: DEN.emberInk, fontWeight: 600 } },
};

/** Light, for paperwork. */
export const paperTheme: ThemeConfig = {
  token: {
    ...shared,
    colorPrimary: PAPER.text,
    colorLink: PAPER.ember,
    colorBgLayout: PAPER.ground,
    colorBgContainer: PAPER.card,
    colorBorder: PAPER.edge,
    colorBorderSecondary: PAPER.line,
    colorText: PAPER.text,
    colorTextSecondary: PAPER.muted,
    colorTextTertiary: PAPER.muted,
    colorTextDescription: PAPER.muted,
    colorTextPlaceholder: PAPER.muted,
    colorError: PAPER.poor,
    colorWarning: PAPER.care,
    colorSuccess: PAPER.good,
  },
  components: { Button: { fontWeight: 600 } },
};

import {
  Button,
  type CSSVariablesResolver,
  createTheme,
  Input,
  InputWrapper,
  type MantineColorsTuple,
  SegmentedControl,
} from "@mantine/core";
import fields from "./inputs.module.css";
import segments from "./segments.module.css";

const clay: MantineColorsTuple = [
  "#fbeee8",
  "#f1d8cc",
  "#e3b29e",
  "#d58b6d",
  "#ca6c47",
  "#b9532c",
  "#a8401f",
  "#8c3419",
  "#702a14",
  "#541f0f",
];
/** Mantine's greys, taken to paper and to lamp light, so that disabled and secondary controls stay in the product's colours. */
const gray: MantineColorsTuple = [
  "#f4eee0",
  "#efe8d8",
  "#e6dcc6",
  "#ddd3bd",
  "#cbbfa3",
  "#a2977d",
  "#7d7462",
  "#5f5e55",
  "#3c3f3d",
  "#22282b",
];
const dark: MantineColorsTuple = [
  "#ece3d0",
  "#cfc6b3",
  "#b3ab99",
  "#8f8978",
  "#6d6a5c",
  "#4d4f49",
  "#383c3b",
  "#262a2c",
  "#1f2224",
  "#1a1612",
];
const ink: MantineColorsTuple = [
  "#f4f2ee",
  "#e2ded5",
  "#c5bfb1",
  "#a59e8e",
  "#857f71",
  "#6b6a60",
  "#4c4f4d",
  "#363c3d",
  "#22282b",
  "#15191b",
];

/** Controls in the product's own dress: paper fields with a ruled foot, ink buttons, square corners. */
export const theme = createTheme({
  fontFamily: "var(--sans)",
  headings: { fontFamily: "var(--serif)", fontWeight: "500" },
  colors: { clay, ink, gray, dark },
  primaryColor: "ink",
  primaryShade: { light: 8, dark: 2 },
  defaultRadius: 2,
  autoContrast: true,
  fontSizes: { xs: "12.5px", sm: "14.5px", md: "15px", lg: "19px", xl: "30px" },
  cursorType: "pointer",
  respectReducedMotion: true,
  components: {
    Input: Input.extend({ classNames: { input: fields.input!, section: fields.section! } }),
    InputWrapper: InputWrapper.extend({ classNames: { label: fields.label!, error: fields.error! } }),
    SegmentedControl: SegmentedControl.extend({
      classNames: { root: segments.root!, indicator: segments.indicator!, label: segments.label!, control: segments.control! },
    }),
    Button: Button.extend({
      defaultProps: { size: "sm" },
      classNames: { root: fields.button! },
      // The library picks its contrast by the light theme alone; paper on ink holds in both.
      vars: (_theme, { variant = "filled", color }) => ({
        root: variant === "filled" && color === undefined ? { "--button-color": "var(--paper)" } : {},
      }),
    }),
  },
});

/** Mantine's own variables, drawn from the tokens, so that one palette rules both. */
export const variables: CSSVariablesResolver = () => {
  const shared = {
    "--mantine-color-body": "var(--paper)",
    "--mantine-color-text": "var(--ink)",
    "--mantine-color-dimmed": "var(--ink-soft)",
    "--mantine-color-placeholder": "var(--ink-soft)",
    "--mantine-color-default": "var(--paper)",
    "--mantine-color-default-hover": "var(--paper-deep)",
    "--mantine-color-default-color": "var(--ink)",
    "--mantine-color-default-border": "var(--rule-strong)",
    "--mantine-color-error": "var(--clay)",
    "--mantine-color-anchor": "var(--ink)",
    "--input-bg": "var(--paper)",
    "--mantine-color-disabled": "var(--paper-deep)",
    "--mantine-color-disabled-color": "var(--ink-soft)",
    "--mantine-color-disabled-border": "var(--rule)",
  };
  return { variables: {}, light: shared, dark: shared };
};

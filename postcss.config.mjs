export default {
  plugins: {
    "postcss-preset-mantine": {},
    "postcss-simple-vars": { variables: { narrow: "60em" } },
  },
};

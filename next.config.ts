import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["sequelize", "umzug", "pg", "pg-copy-streams", "pino", "piscina", "date-holidays"],
  poweredByHeader: false,
  // The server packs, where it is worth it.
  compress: false,
  reactStrictMode: true,
  // Pages are kept by the server round it, which knows when they go stale: a second cache would only hold memory.
  cacheMaxMemorySize: 0,
  // `npm test` checks types over everything, tests included; a second pass here would only slow the first start.
  typescript: { ignoreBuildErrors: true },
  experimental: { optimizePackageImports: ["@mantine/core", "@tabler/icons-react", "d3"] },
};

export default config;

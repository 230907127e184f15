import type { NextConfig } from "next";

const config: NextConfig = {
  serverExternalPackages: ["sequelize", "umzug", "pg", "pg-copy-streams", "pino"],
  poweredByHeader: false,
  reactStrictMode: true,
  // `npm test` checks types over everything, tests included; a second pass here would only slow the first start.
  typescript: { ignoreBuildErrors: true },
  headers: async () => [
    {
      source: "/:path*",
      headers: [
        { key: "X-Content-Type-Options", value: "nosniff" },
        { key: "Referrer-Policy", value: "same-origin" },
        { key: "X-Frame-Options", value: "DENY" },
        { key: "Permissions-Policy", value: "camera=(), microphone=(), geolocation=()" },
        { key: "Cross-Origin-Opener-Policy", value: "same-origin" },
        { key: "Cross-Origin-Resource-Policy", value: "same-origin" },
      ],
    },
  ],
  experimental: { optimizePackageImports: ["@mantine/core", "@tabler/icons-react", "d3"] },
};

export default config;

import type { NextConfig } from "next";

/** Server actions carry whole documents when a model is imported. */
const MAX_ACTION_BODY = "16mb";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  experimental: { serverActions: { bodySizeLimit: MAX_ACTION_BODY } },
};

export default config;

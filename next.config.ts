import type { NextConfig } from "next";

/** What is exported can be brought in again, photos and all: whole documents go through actions, API and the proxy before them. */
const MAX_BODY = "96mb";

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  experimental: { serverActions: { bodySizeLimit: MAX_BODY }, proxyClientMaxBodySize: MAX_BODY },
};

export default config;

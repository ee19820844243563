import type { NextConfig } from "next";
import { MAX_BODY_MIB } from "./src/contracts/limits";

/** What is exported can be brought in again, photos and all: whole documents go through actions, API and the proxy before them. */
const MAX_BODY = `${MAX_BODY_MIB}mb` as const;
/** What comes in pieces is cut here; a little later than what is read, so that it is told as too large and not as cut. */
const CUT_AFTER = `${MAX_BODY_MIB + 1}mb` as const;

const config: NextConfig = {
  poweredByHeader: false,
  reactStrictMode: true,
  devIndicators: false,
  experimental: { serverActions: { bodySizeLimit: MAX_BODY }, proxyClientMaxBodySize: CUT_AFTER },
};

export default config;

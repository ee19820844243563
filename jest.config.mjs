// a shed without a zone of its own must not make a test depend on where it runs
process.env.TZ = "UTC";

/** Unit, property and vector tests; the browser has its own runner. */
export default {
  testEnvironment: "node",
  roots: ["<rootDir>/src", "<rootDir>/tests"],
  testPathIgnorePatterns: ["/node_modules/", "/tests/e2e/", "/tests/fences/"],
  transform: {
    "^.+\\.tsx?$": [
      "@swc/jest",
      {
        jsc: {
          parser: { syntax: "typescript", tsx: true },
          target: "es2022",
          transform: { react: { runtime: "automatic" } },
        },
      },
    ],
  },
  setupFiles: ["<rootDir>/tests/support/browser-gaps.ts"],
  moduleNameMapper: { "^@/(.*)$": "<rootDir>/src/$1" },
};

import type { NextConfig } from 'next';
import { coreVersion } from './scripts/coreVersion.mjs';

/** Headers that do not change from page to page; the content security policy is in proxy.ts, because it has a nonce. */
const HEADERS = [
  { key: 'X-Content-Type-Options', value: 'nosniff' },
  { key: 'X-Frame-Options', value: 'DENY' },
  { key: 'Referrer-Policy', value: 'no-referrer' },
  { key: 'Cross-Origin-Opener-Policy', value: 'same-origin' },
  { key: 'Cross-Origin-Resource-Policy', value: 'same-origin' },
  { key: 'Permissions-Policy', value: 'camera=(self), microphone=(self), geolocation=(), payment=(), usb=()' },
];

const config: NextConfig = {
  poweredByHeader: false,
  env: { CORE_VERSION: coreVersion() },
  reactStrictMode: true,
  // Types are checked by npm run types, tests included; a person who starts the application need not wait for that.
  typescript: { ignoreBuildErrors: true },
  // Pictures are served as they are; nothing fetches them by an address from outside.
  images: { unoptimized: true },
  serverExternalPackages: ['sharp', 'mysql2'],
  headers: async () => [{ source: '/:path*', headers: HEADERS }],
};

export default config;

import { randomBytes } from "node:crypto";
import helmet from "helmet";

const withNonce = (_request, response, next) => {
  response.locals.nonce = randomBytes(16).toString("base64");
  next();
};

const policy = (isHttps) =>
  helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        "default-src": ["'none'"],
        "script-src": ["'self'", (_request, response) => `'nonce-${response.locals.nonce}'`],
        "style-src": ["'self'", "'unsafe-inline'"],
        "img-src": ["'self'", "data:", "blob:"],
        "font-src": ["'self'"],
        "connect-src": ["'self'"],
        "worker-src": ["'self'"],
        "manifest-src": ["'self'"],
        "form-action": ["'self'"],
        "base-uri": ["'none'"],
        "frame-ancestors": ["'none'"],
      },
    },
    strictTransportSecurity: isHttps ? { maxAge: 31_536_000 } : false,
    crossOriginEmbedderPolicy: false,
    referrerPolicy: { policy: "same-origin" },
  });

const ours = (_request, response, next) => {
  // Tells a page of ours from a proxy's.
  response.setHeader("X-Warm-Ledger", "1");
  response.setHeader("Permissions-Policy", "camera=(), microphone=(), geolocation=()");
  next();
};

/** What every page's answer says to its browser. */
export const pageHeaders = (isHttps) => [withNonce, policy(isHttps), ours];

/** As much of it as an asset needs: a page is some forty of them. */
export function assetHeaders(response) {
  response.setHeader("Content-Security-Policy", "default-src 'self'");
  response.setHeader("X-Content-Type-Options", "nosniff");
  response.setHeader("Cross-Origin-Resource-Policy", "same-origin");
}

import { NextResponse, type NextRequest } from "next/server";

/** Every page goes out with a policy under which only this build's own scripts run. */
export function proxy(request: NextRequest): NextResponse {
  const nonce = Buffer.from(crypto.randomUUID()).toString("base64");
  const development = process.env.NODE_ENV === "development";
  const policy = [
    "default-src 'self'",
    // The development server needs eval for its own error pages; a build does not.
    `script-src 'self' 'nonce-${nonce}' 'strict-dynamic'${development ? " 'unsafe-eval'" : ""}`,
    "style-src 'self' 'unsafe-inline'",
    "img-src 'self' blob: data:",
    "font-src 'self'",
    `connect-src 'self'${development ? " ws:" : ""}`,
    "worker-src 'self' blob:",
    "manifest-src 'self'",
    "object-src 'none'",
    "base-uri 'none'",
    "form-action 'self'",
    "frame-ancestors 'none'",
  ].join("; ");
  const headers = new Headers(request.headers);
  headers.set("x-nonce", nonce);
  headers.set("x-path", request.nextUrl.pathname);
  headers.set("x-search", request.nextUrl.search);
  headers.set("content-security-policy", policy);
  const response = NextResponse.next({ request: { headers } });
  response.headers.set("content-security-policy", policy);
  response.headers.set("x-content-type-options", "nosniff");
  response.headers.set("referrer-policy", "no-referrer");
  response.headers.set("permissions-policy", "geolocation=(), microphone=(self), camera=(self), serial=(self)");
  response.headers.set("cross-origin-opener-policy", "same-origin");
  return response;
}

export const config = { matcher: [{ source: "/((?!_next/|api/|demo/|sw.js|sound-tap.js|precache.json|icon).*)" }] };

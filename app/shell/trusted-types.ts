interface PolicyFactory {
  createPolicy(
    name: string,
    rules: { createScriptURL(url: string): string; createHTML(html: string): string },
  ): unknown;
}

/** Names that the build gives to our own workers, and the service worker. */
const OUR_SCRIPT = /^\/(worker-[A-Z0-9]{8}|ngsw-worker)\.js$/;

/**
 * The page demands Trusted Types. Workers and the chart library pass plain strings, so the default policy lets
 * through exactly our own scripts and the empty string, and refuses the rest.
 */
export function installTrustedTypes(): void {
  const factory = (window as unknown as { trustedTypes?: PolicyFactory }).trustedTypes;
  factory?.createPolicy('default', {
    createScriptURL(url) {
      const { origin, pathname } = new URL(url, location.href);
      if (origin === location.origin && OUR_SCRIPT.test(pathname)) {
        return url;
      }
      throw new TypeError(`Refused script address ${url}`);
    },
    createHTML(html) {
      if (html === '') {
        return html;
      }
      throw new TypeError('Refused markup from a string');
    },
  });
}

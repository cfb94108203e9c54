/** What the browser lets pages use: what a session needs. */
const USED = ['camera', 'screen-wake-lock', 'fullscreen', 'midi', 'gamepad'];
/** Everything else that a browser would let a page ask for. */
const SHUT = [
  'accelerometer',
  'bluetooth',
  'browsing-topics',
  'display-capture',
  'encrypted-media',
  'geolocation',
  'gyroscope',
  'hid',
  'idle-detection',
  'local-fonts',
  'magnetometer',
  'microphone',
  'payment',
  'picture-in-picture',
  'publickey-credentials-get',
  'serial',
  'usb',
  'window-management',
  'xr-spatial-tracking',
];

/** The Permissions-Policy of every response. */
export const PERMISSIONS = [...USED.map((name) => `${name}=(self)`), ...SHUT.map((name) => `${name}=()`)].join(', ');

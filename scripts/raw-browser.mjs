// Debian's Chromium driven over its own protocol, without a test runner's flags: its tabs really become hidden, its timers are really slowed.
import { spawn } from 'node:child_process';
import { existsSync, mkdirSync, readFileSync } from 'node:fs';
import { setTimeout as sleep } from 'node:timers/promises';
import WebSocket from 'ws';
import { PLAINLY_PAINTED } from './chromium.mjs';

const PORT_FILE_MS = 20_000;
/** The wrapper script forks; the binary itself is the browser process, which is what is killed. */
const BINARY = '/usr/lib/chromium/chromium';

/** A connection to the browser. */
function connect(url) {
  return new Promise((resolve, reject) => {
    const socket = new WebSocket(url, { perMessageDeflate: false });
    let id = 0;
    const waiting = new Map();
    const listeners = new Set();
    socket.on('error', reject);
    socket.on('close', () => {
      for (const { reject: fail } of waiting.values()) fail(new Error('the browser is gone'));
      waiting.clear();
    });
    socket.on('message', (data) => {
      const message = JSON.parse(String(data));
      const call = waiting.get(message.id);
      waiting.delete(message.id);
      if (!call) listeners.forEach((listener) => listener(message));
      else if (message.error) call.reject(new Error(message.error.message));
      else call.resolve(message.result);
    });
    socket.on('open', () =>
      resolve({
        onMessage: (listener) => {
          listeners.add(listener);
          return () => listeners.delete(listener);
        },
        send: (method, params = {}, sessionId = undefined) =>
          new Promise((done, fail) => {
            id++;
            waiting.set(id, { resolve: done, reject: fail });
            socket.send(JSON.stringify({ id, method, params, sessionId }));
          }),
      }),
    );
  });
}

/**
 * Start a browser with a profile of its own.
 * @returns open a tab, kill it as a power cut would, or close it.
 */
export async function rawBrowser(profile) {
  mkdirSync(profile, { recursive: true });
  const args = [
    '--headless=new',
    '--remote-debugging-port=0',
    `--user-data-dir=${profile}`,
    '--window-size=1280,880',
    '--autoplay-policy=no-user-gesture-required',
    '--no-default-browser-check',
    '--password-store=basic',
    ...PLAINLY_PAINTED.args,
    'about:blank',
  ];
  const binary = existsSync(BINARY) ? BINARY : PLAINLY_PAINTED.executablePath;
  const child = spawn(binary, args, { stdio: 'ignore', detached: true });
  const portFile = `${profile}/DevToolsActivePort`;
  let address;
  for (const until = Date.now() + PORT_FILE_MS; Date.now() < until && !address; await sleep(100)) {
    if (!existsSync(portFile)) continue;
    const [port, path] = readFileSync(portFile, 'utf8').split('\n');
    if (!path) continue;
    const answers = await fetch(`http://127.0.0.1:${port}/json/version`).then(
      (r) => r.ok,
      () => false,
    );
    if (answers) address = `ws://127.0.0.1:${port}${path}`;
  }
  if (!address) throw new Error('the browser did not start');
  const browser = await connect(address);

  /** A tab in front of the others, which are hidden by it. */
  const open = async (url) => {
    const { targetId } = await browser.send('Target.createTarget', { url: 'about:blank' });
    const { sessionId } = await browser.send('Target.attachToTarget', { targetId, flatten: true });
    const send = (method, params) => browser.send(method, params, sessionId);
    await send('Page.enable');
    const evaluate = async (expression) => {
      const { result, exceptionDetails } = await send('Runtime.evaluate', {
        expression,
        awaitPromise: true,
        returnByValue: true,
        userGesture: true,
      });
      if (exceptionDetails) throw new Error(exceptionDetails.exception?.description ?? exceptionDetails.text);
      return result.value;
    };
    const go = async (to) => {
      const loaded = new Promise((resolve) => {
        const stop = browser.onMessage((m) => {
          if (m.sessionId !== sessionId || m.method !== 'Page.loadEventFired') return;
          stop();
          resolve();
        });
      });
      await send('Page.navigate', { url: to });
      await loaded;
    };
    const key = async (name) => {
      const text = name.length === 1 ? { text: name } : {};
      const code = { Enter: 13, ArrowRight: 39, ' ': 32 }[name];
      const event = { key: name, windowsVirtualKeyCode: code ?? name.toUpperCase().charCodeAt(0), ...text };
      await send('Input.dispatchKeyEvent', { type: 'keyDown', ...event });
      await send('Input.dispatchKeyEvent', { type: 'keyUp', ...event });
    };
    /** Wait until an expression is true; its last value when it never is. */
    const until = async (expression, withinMs = 30_000) => {
      let value;
      for (const end = Date.now() + withinMs; Date.now() < end; await sleep(100)) {
        value = await evaluate(expression).catch(() => undefined);
        if (value) return value;
      }
      throw new Error(`never came true: ${expression}`);
    };
    await go(url);
    return {
      evaluate,
      go,
      key,
      until,
      send,
      toFront: () => browser.send('Target.activateTarget', { targetId }),
      close: () => browser.send('Target.closeTarget', { targetId }),
    };
  };
  const ended = new Promise((resolve) => child.once('exit', resolve));
  return {
    open,
    pid: child.pid,
    /** As a power cut would. */
    kill: async () => {
      process.kill(-child.pid, 'SIGKILL');
      await ended;
    },
    close: async () => {
      await Promise.race([browser.send('Browser.close').catch(() => undefined), sleep(3000)]);
      try {
        process.kill(-child.pid, 'SIGKILL');
      } catch {
        // It has gone by itself.
      }
    },
  };
}

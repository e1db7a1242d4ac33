// Lighthouse of the bench and a plate's page, signed in to the demo room; caches, worker and stores are emptied before each load.
//
// Not part of the project's packages. In an empty folder: npm install lighthouse@12 puppeteer-core@24, copy this file there, then
//   CHROMIUM=$(which chromium) node page.mjs 3 http://127.0.0.1:8000
// An answer that is refused (401) means that the sign-in page was measured: such a run fails.
import lighthouse, { desktopConfig } from "lighthouse";
import puppeteer from "puppeteer-core";

const [times, base] = [Number(process.argv[2] ?? 3), process.argv[3] ?? "http://127.0.0.1:8000"];
const quiet = ["--no-sandbox", "--disable-gpu", "--disable-quic", "--disable-background-networking", "--disable-sync"];
const stores = "cache_storage,service_workers,indexeddb,local_storage";

async function signIn(browser) {
  const page = await browser.newPage();
  await page.goto(`${base}/sign-in`);
  const button = await page.waitForSelector("button ::-p-text(Open the demo print room)");
  await button.click();
  await page.waitForFunction(() => location.pathname.endsWith("/bench"));
  const room = new URL(page.url()).pathname.split("/")[2];
  const plate = await page.evaluate(async (room) => {
    const rack = await (await fetch(`/api/rooms/${room}/plates`)).json();
    return rack.items.find((each) => each.name === "Lantern Row").id;
  }, room);
  await page.close();
  return { bench: `/r/${room}/bench`, plate: `/r/${room}/plates/${plate}` };
}

async function measured(browser, path, config) {
  const page = await browser.newPage();
  const devtools = await page.createCDPSession();
  await devtools.send("Network.clearBrowserCache");
  await devtools.send("Storage.clearDataForOrigin", { origin: base, storageTypes: stores });
  const flags = { onlyCategories: ["performance"], disableStorageReset: true };
  const { lhr } = await lighthouse(base + path, flags, config, page);
  await page.close();
  const requests = lhr.audits["network-requests"].details.items;
  if (requests.some((each) => each.statusCode === 401)) throw new Error("not signed in");
  const ms = (audit) => Math.round(lhr.audits[audit].numericValue);
  return {
    performance: Math.round(lhr.categories.performance.score * 100),
    blocked: ms("total-blocking-time"),
    largest: ms("largest-contentful-paint"),
    shift: Number((lhr.audits["cumulative-layout-shift"].numericValue ?? Number.NaN).toFixed(3)),
    machine: lhr.environment.benchmarkIndex,
  };
}

const browser = await puppeteer.launch({ executablePath: process.env.CHROMIUM, args: quiet });
const pages = await signIn(browser);
for (const [name, path] of Object.entries(pages)) {
  for (const [form, config] of [["mobile", undefined], ["desktop", desktopConfig]]) {
    for (let i = 0; i < times; i++) console.log(name, form, JSON.stringify(await measured(browser, path, config)));
  }
}
await browser.close();

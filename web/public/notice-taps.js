// Part of what keeps the page on this device: a tap on a notice leads to what it is about.
self.addEventListener('notificationclick', (event) => {
  event.notification.close();
  const path = event.notification.data?.path ?? '/';
  const open = async () => {
    const pages = await self.clients.matchAll({ type: 'window', includeUncontrolled: true });
    const page = pages.find(({ visibilityState }) => visibilityState === 'visible') ?? pages[0];
    if (!page) return self.clients.openWindow(path);
    page.postMessage({ openPath: path });
    return page.focus();
  };
  event.waitUntil(open());
});

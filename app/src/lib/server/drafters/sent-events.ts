/** An answer that tells what comes as it comes: each thing as one server-sent event (WHATWG HTML, 9.2), `told` as its data. */
export function eventsOf(news: AsyncGenerator<object>, stop: () => void): Response {
  const encoder = new TextEncoder();
  const body = new ReadableStream<Uint8Array>({
    async pull(out) {
      const { value, done } = await news.next();
      if (done) out.close();
      else out.enqueue(encoder.encode(`data: ${JSON.stringify(value)}\n\n`));
    },
    async cancel() {
      stop();
      await news.return(undefined);
    },
  });
  return new Response(body, { headers: { 'content-type': 'text/event-stream', 'cache-control': 'no-store' } });
}

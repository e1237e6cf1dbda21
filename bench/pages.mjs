/** A page of the boatyard of about so many elements, with what pages have: lists, links, fields, images, a table. */
export function boatyardPage(elements) {
  const parts = [
    '<!doctype html>\n<html lang="en">\n<head><title>Berths – Brackwater Boatyard</title>\n<style>\n',
    "body{font:1rem/1.6 Georgia,serif;color:#1b2a33;background:#fff}\n.card{padding:1rem;border:1px solid #c4d0d6}\n.card h2{font-size:1.2rem}\n.card ul li a:hover{color:#a6401d}\n",
    ...Array.from(
      { length: 60 },
      (_, i) => `.slip-${i} .note{color:#${(0x404040 + i * 257).toString(16)}}\n`,
    ),
    "@media (max-width:600px){.card{padding:.5rem}}\n</style>\n</head>\n<body>\n<main>\n<h1>Berths</h1>\n",
  ];
  for (let i = 0, count = 10; count < elements; i++, count += 14) {
    parts.push(
      `<section class="card slip-${i % 60}" aria-labelledby="h${i}">\n  <h2 id="h${i}">Berth ${i}</h2>\n`,
      `  <ul class="links"><li><a href="berth-${i}.html">Book <b>berth</b> ${i}</a></li><li><img src="hull-${i}.jpg" alt="Hull ${i}"></li></ul>\n`,
      `  <p class="note">Free until the <em>next</em> tide.</p>\n  <label for="f${i}">Length in metres</label> <input id="f${i}" name="length">\n`,
      `  <button type="button" aria-expanded="false">Show dates</button>\n</section>\n`,
    );
  }
  parts.push("</main>\n</body>\n</html>\n");
  return parts.join("");
}

/** A stylesheet of so many rules over a few hundred classes, ids and tags. */
export function boatyardSheet(rules) {
  const tags = ["p", "a", "li", "section", "h2", "button", "label", "input"];
  return Array.from({ length: rules }, (_, i) => {
    const tag = tags[i % tags.length];
    const selector = [
      `.card .k${i % 700}`,
      `${tag}.k${i % 500}`,
      `#h${i} > ${tag}`,
      `.slip-${i % 60} ${tag}:not(.k${i % 90})`,
      `.links li:nth-child(${(i % 5) + 1}) a`,
    ][i % 5];
    return `${selector} { color: #${(0x101010 + i * 97).toString(16)}; padding: ${i % 9}px; background: rgb(250 250 ${i % 256}) }\n`;
  }).join("");
}

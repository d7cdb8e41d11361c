#!/usr/bin/env python3
"""A delivery's page in a real browser: every picture shows, every deliverable and claim stands there, it prints.

usage: report_page.py DELIVERY_FOLDER WORK_FOLDER
"""
import html.parser
import json
import pathlib
import re
import struct
import subprocess
import sys
import zlib

folder, work = (pathlib.Path(path).resolve() for path in sys.argv[1:3])
work.mkdir(parents=True, exist_ok=True)
page = folder / "report.html"
manifest = json.loads((folder / "delivery.json").read_text())


def browser(*options):
    return subprocess.run(["chromium", "--headless", "--no-sandbox", "--disable-gpu", "--hide-scrollbars",
                           f"--user-data-dir={work / 'profile'}", *options],
                          check=True, capture_output=True, timeout=120).stdout


# A copy that says of itself which of its pictures the browser could show, and what it cannot say of the page itself.
probe = work / "probe.html"
probe.write_text(page.read_text().replace("</body>", """<script>addEventListener('load', () => {
  document.body.dataset.shown = [...document.images].filter((i) => i.complete && i.naturalWidth > 0).length;
  document.body.dataset.images = document.images.length;
  document.body.dataset.wide = document.documentElement.scrollWidth;
});</script></body>"""))
dom = browser("--window-size=1080,2400", "--virtual-time-budget=10000", "--dump-dom", probe.as_uri()).decode()


class Told(html.parser.HTMLParser):
    def __init__(self):
        super().__init__()
        self.body = {}
        self.words = []

    def handle_starttag(self, tag, attributes):
        if tag == "body":
            self.body = dict(attributes)

    def handle_data(self, data):
        self.words.append(data)


told = Told()
told.feed(dom)
text = " ".join(told.words)
wrong = []


def check(holds, what):
    if not holds:
        wrong.append(what)


files = [row for row in manifest["files"] if row["deliverable"] != "report"]
deliverables = {row["deliverable"]: row for row in reversed(files)}
pictures = [row for row in files if row["file"].startswith("pictures/")]
check(int(told.body.get("data-images", 0)) >= len(pictures), "there is an image for each picture")
check(told.body.get("data-shown") == told.body.get("data-images"), "the browser shows every image")
check(int(told.body.get("data-wide", 9999)) <= 1080, "nothing is wider than the page")
claims = 0
for id, row in deliverables.items():
    check(row["file"] in text, f"{id} is told")
    for claim in row["check"]["claims"]:
        claims += 1
        check(claim["claim"] in text, f"{id}: {claim['claim']} is told")
check(text.count("holds") >= claims, "every claim says whether it holds")

# Looked at, and printed.
shot = work / "report.png"
browser("--window-size=1080,2400", f"--screenshot={shot}", page.as_uri())
data = shot.read_bytes()
width, height = struct.unpack(">II", data[16:24])
pixels = zlib.decompress(b"".join(data[m.start() + 4:m.start() + 4 + struct.unpack(">I", data[m.start() - 4:m.start()])[0]]
                                  for m in re.finditer(b"IDAT", data)))
check((width, height) == (1080, 2400), "the screenshot is the page's")
check(len(set(pixels[::997])) > 20, "and is not empty")
paper = work / "report.pdf"
browser(f"--print-to-pdf={paper}", "--no-pdf-header-footer", page.as_uri())
check(len(re.findall(rb"/Type\s*/Page\b", paper.read_bytes())) >= 2, "it prints on several pages")
for line in wrong:
    print("not so:", line)
print(f"report in the browser: {len(deliverables)} deliverables, {claims} claims, {told.body.get('data-shown')} images shown; "
      f"{len(wrong)} wrong")
sys.exit(1 if wrong else 0)

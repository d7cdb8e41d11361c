#!/usr/bin/env python3
"""Every link of the documentation leads to a file that is there, and to a heading of it where it names one.

usage: links.py REPOSITORY
"""
import pathlib
import re
import sys

root = pathlib.Path(sys.argv[1]).resolve()
wrong = []
links = 0


def headings(page):
    """The names that headings are linked by: lower case, blanks as hyphens, without other signs."""
    found = set()
    for line in page.read_text().splitlines():
        if match := re.match(r"#+ (.*)", line):
            plain = re.sub(r"[`*]", "", match.group(1)).strip().lower()
            found.add(re.sub(r"[^\w\- ]", "", plain).replace(" ", "-"))
    return found


for page in [root / "README.md", *sorted(root.glob("docs/**/*.md")), *sorted(root.glob("*/README.md"))]:
    text = re.sub(r"```.*?```", "", page.read_text(), flags=re.S)
    for target in re.findall(r"\]\(([^)\s]+)\)", text):
        links += 1
        if re.match(r"[a-z]+:", target):
            continue
        file, _, anchor = target.partition("#")
        to = (page.parent / file).resolve() if file else page
        if not to.exists():
            wrong.append(f"{page.relative_to(root)}: {target} is not there")
        elif anchor and anchor not in headings(to):
            wrong.append(f"{page.relative_to(root)}: {target}: no such heading")
for one in wrong:
    print(one)
print(f"{links} links, {len(wrong)} lead nowhere")
sys.exit(1 if wrong or links < 100 else 0)

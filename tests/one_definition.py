#!/usr/bin/env python3
"""Two types with one name in one namespace are linked into one without a word, and the wrong
destructor then runs. Fails with each such name; `--self-check` proves that it would."""
import pathlib
import re
import sys

HEAD = re.compile(r"^(?:struct|class|enum class|enum) (?:alignas\(\w+\) )?([\w:]+)[^;()]*\{")
SPACE = re.compile(r"^(?:inline )?namespace(?: ([\w:]+))? \{")


def types_in(text):
    """The named types a file defines at the outermost level of a named namespace."""
    spaces = []
    for line in text.splitlines():
        space = SPACE.match(line)
        if space:
            spaces.append(space.group(1) or "")
        elif line.startswith("} // namespace"):
            spaces.pop()
        else:
            head = HEAD.match(line)
            if head and "" not in spaces:
                yield "::".join(spaces + [head.group(1)])


def clashes(files):
    where = {}
    for name, text in files:
        for kind in types_in(text):
            where.setdefault(kind, []).append(name)
    return {kind: places for kind, places in where.items() if len(places) > 1}


def self_check():
    one = "namespace a {\nstruct Row {\n};\n} // namespace a\n"
    hidden = "namespace a {\nnamespace {\nstruct Row {\n};\n} // namespace\n} // namespace a\n"
    assert clashes([("x.h", one), ("y.h", one)]) == {"a::Row": ["x.h", "y.h"]}
    assert not clashes([("x.h", one), ("y.cpp", hidden)])


def main():
    self_check()
    root = pathlib.Path(__file__).resolve().parent.parent
    # The tests are programs of their own; each is held against the code it is linked with.
    programs = [["src", "bench", "demo"], ["src/core", "tests/core"], ["src", "tests/app"]]
    found = {}
    for folders in programs:
        files = [(str(path.relative_to(root)), path.read_text())
                 for folder in folders for path in sorted((root / folder).rglob("*"))
                 if path.suffix in (".h", ".cpp")]
        assert len(files) > 100, "the sources were not found"
        found.update(clashes(files))
    for kind, places in sorted(found.items()):
        print(f"{kind} is defined in {' and in '.join(places)}")
    sys.exit(1 if found else 0)


main()

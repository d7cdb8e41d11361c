#!/usr/bin/env python3
"""Two types with one name in one namespace are linked into one without a word, and the wrong
destructor then runs. And what two files of a target keep to themselves under one name cannot be
compiled in one batch, whichever files a batch may hold. Fails with each such name."""
import pathlib
import re
import sys

HEAD = re.compile(r"^(?:struct|class|enum class|enum) (?:alignas\(\w+\) )?([\w:]+)[^;()]*\{")
SPACE = re.compile(r"^(?:inline )?namespace(?: ([\w:]+))? \{")


VALUE = re.compile(r"^(?:constexpr|const|std::atomic|static) ?[^()=]*?\b(\w+)(?:\[\w*\])? (?:= |\{)")
ALIAS = re.compile(r"^using (\w+) = (.*)")
FUNCTION = re.compile(r"^(?!using|namespace|template|struct|class|enum|typedef|TEST|INSTANTIATE|return|else)"
                      r"[\w:<>,&*\s\[\]]*?[\s&*>](\w+)\(")


def parameters_of(text):
    """Their types, without names: "const Scene&, int"."""
    depth, parts, one = 0, [], ""
    for letter in text:
        depth += (letter in "(<{[") - (letter in ")>}]")
        if depth < 0:
            break
        if letter == "," and depth == 0:
            parts.append(one)
            one = ""
        else:
            one += letter
    parts.append(one)
    types = [re.sub(r"(?<=[\s&*>])\w+$", "", part.split("=")[0].strip()).strip() for part in parts if part.strip()]
    return ", ".join(types)


def hidden_in(text):
    """What a file keeps to itself: types, their other names, values and functions of its anonymous namespaces."""
    spaces = []
    lines = text.splitlines()
    for at, line in enumerate(lines):
        space = SPACE.match(line)
        if space:
            spaces.append(space.group(1) or "")
            continue
        if line.startswith("} // namespace"):
            spaces.pop()
            continue
        if not spaces or spaces[-1] != "" or not line or line[0] in " /#}":
            continue
        head, value, alias = HEAD.match(line), VALUE.match(line), ALIAS.match(line)
        function = FUNCTION.match(" ".join(lines[at:at + 3]))
        around = "::".join(spaces[:-1]) + "::"
        if head:
            yield around + head.group(1)
        elif alias:
            yield around + alias.group(1)
        elif value:
            yield around + value.group(1)
        elif function and function.group(1) != "main": # a shader's, in a text
            rest = " ".join(lines[at:at + 8])[function.end():]
            yield f"{around}{function.group(1)}({parameters_of(rest)})"


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


def clashes(files, names_in=types_in):
    where = {}
    for name, text in files:
        for kind in set(names_in(text)):
            where.setdefault(kind, []).append(name)
    return {kind: places for kind, places in where.items() if len(places) > 1}


def self_check():
    one = "namespace a {\nstruct Row {\n};\n} // namespace a\n"
    hidden = "namespace a {\nnamespace {\nstruct Row {\n};\n} // namespace\n} // namespace a\n"
    assert clashes([("x.h", one), ("y.h", one)]) == {"a::Row": ["x.h", "y.h"]}
    assert not clashes([("x.h", one), ("y.cpp", hidden)])
    assert clashes([("x.cpp", hidden), ("y.cpp", hidden)], hidden_in) == {"a::Row": ["x.cpp", "y.cpp"]}
    body = "namespace a {\nnamespace {\n%s\n} // namespace\n} // namespace a\n"
    same = [("x.cpp", body % "double far(const Scene& s, int n = 1) {\n}"),
            ("y.cpp", body % "float far(const Scene& other,\n          int m) {\n}")]
    assert clashes(same, hidden_in) == {"a::far(const Scene&, int)": ["x.cpp", "y.cpp"]}
    assert not clashes([same[0], ("y.cpp", body % "double far(int n) {\n}")], hidden_in)
    assert clashes([("x.cpp", hidden), ("y.cpp", body % "using Row = std::array<int, 3>;")],
                   hidden_in) == {"a::Row": ["x.cpp", "y.cpp"]}
    assert clashes([("x.cpp", body % "constexpr int most = 3;"), ("y.cpp", body % "constexpr double most = 4;")],
                   hidden_in) == {"a::most": ["x.cpp", "y.cpp"]}


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
    for target in ("src/core", "src/app", "src/cli", "demo", "bench", "tests/core", "tests/app"):
        found.update(clashes([(str(path.relative_to(root)), path.read_text())
                              for path in sorted((root / target).rglob("*.cpp"))], hidden_in))
    for kind, places in sorted(found.items()):
        print(f"{kind} is defined in {' and in '.join(places)}")
    sys.exit(1 if found else 0)


main()

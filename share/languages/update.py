#!/usr/bin/env python3
"""Brings the dictionaries up to date with the texts in the code; with --check says what is missing, and changes nothing.

A dictionary is one list: a text is said one way wherever it stands. In it are the window's texts (found by lupdate), the
patterns of the core (phrase("...")), what is counted (counted(n, "...")), and the core's other sentences, which are all
of its literals that read like words. Single words of the core that are labels are kept where they still stand in it.
"""
import re
import shutil
import subprocess
import sys
import tempfile
import xml.etree.ElementTree as tree
from pathlib import Path
from xml.sax.saxutils import escape

root = Path(__file__).resolve().parents[2]
here = Path(__file__).resolve().parent
literal = r'(?:"(?:[^"\\]|\\.)*"\s*)+'
# What is written into files that are not for people: their words are not looked up.
not_for_people = ("delivery/report", "formats/format_table", "steps/step_table", "delivery/second_reader_script",
                  "usd/write", "usd/text_write", "usd/crate_write", "obj/write", "bvh/write", "collada/write",
                  "collada/xml", "farm/coordinate")


def lupdate():
    for program in ("/usr/lib/qt6/bin/lupdate", "lupdate6", "lupdate"):
        if shutil.which(program):
            return program
    sys.exit("lupdate is not installed: qt6-l10n-tools")


def value(written):
    text = "".join(re.findall(r'"((?:[^"\\]|\\.)*)"', written))
    return text.replace('\\"', '"').replace("\\n", "\n").replace("\\\\", "\\")


def reads_like_words(text):
    if " " not in text.strip() or not re.search("[a-z]{2}", text) or text.startswith(("wembrix ", "<", "--", ".", "#")):
        return False
    if "{" in text or "}" in text:
        return False
    odd = re.search(r"[;<>=\\]|::", text)
    return not odd or re.search("[a-z]{3,} [a-z]{2,} [a-z]{2,}", text) is not None


def window_texts():
    """Each with whether it is counted."""
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "window.ts"
        subprocess.run([lupdate(), str(root / "src/app"), "-extensions", "cpp,h", "-locations", "none", "-silent",
                        "-ts", str(file)], check=True, stdout=subprocess.DEVNULL, stderr=subprocess.DEVNULL)
        return {message.find("source").text: message.get("numerus") == "yes"
                for message in tree.parse(file).getroot().iter("message")}


def code(folder):
    for file in sorted((root / folder).rglob("*")):
        if file.suffix in (".cpp", ".h"):
            text = re.sub(r"^\s*#include.*$", "", file.read_text(), flags=re.M)
            apart = r'"(?:[^"\\\n]|\\.)*"|\'(?:[^\'\\\n]|\\.)\'|//[^\n]*'
            yield file, re.sub(apart, lambda m: m.group(0) if m.group(0)[0] == '"' else " ", text)


def texts():
    """All that a dictionary must have, each with whether it is counted; and the words that it may have."""
    needed = window_texts()
    words = set()
    for folder in ("src/core", "src/app"):
        for file, text in code(folder):
            for match in re.finditer(r'\bcounted\((?:[^()"]|\((?:[^()]|\([^()]*\))*\))*?,\s*"([^"]+)"\)', text):
                needed["%n " + match.group(1)] = True
            if folder == "src/app":
                continue
            patterns = {value(m.group(1)) for m in re.finditer(r"\bphrase\(\s*(" + literal + ")", text)}
            needed.update({pattern: False for pattern in patterns if re.search("[a-z]", re.sub(r"\{[^}]*\}", "", pattern))})
            if any(part in str(file) for part in not_for_people):
                continue
            for match in re.finditer(literal, text):
                found = value(match.group(0))
                if reads_like_words(found) and found not in patterns:
                    needed.setdefault(found, False)
                elif " " not in found:
                    words.add(found)
    return needed, words


def read(file):
    have = {}
    if file.exists():
        for message in tree.parse(file).getroot().iter("message"):
            translation = message.find("translation")
            if translation is None or translation.get("type") in ("unfinished", "vanished", "obsolete"):
                continue
            forms = [form.text or "" for form in translation.findall("numerusform")]
            have[message.find("source").text] = forms or [translation.text or ""]
    return have


def written(needed, have, words, language):
    lines = ['<?xml version="1.0" encoding="utf-8"?>', "<!DOCTYPE TS>", f'<TS version="2.1" language="{language}" '
             'sourcelanguage="en">', "<context>", "    <name>Wembrix</name>"]
    kept = {text: False for text in have if text in words}
    for text, counts in sorted({**kept, **needed}.items()):
        forms = have.get(text)
        state = "" if forms and all(forms) else ' type="unfinished"'
        forms = forms or ([""] * 2 if counts else [""])
        lines.append('    <message numerus="yes">' if counts else "    <message>")
        lines.append(f"        <source>{escape(text)}</source>")
        if counts:
            lines.append(f"        <translation{state}>")
            lines += [f"            <numerusform>{escape(form)}</numerusform>" for form in forms]
            lines.append("        </translation>")
        else:
            lines.append(f"        <translation{state}>{escape(forms[0])}</translation>")
        lines.append("    </message>")
    return "\n".join(lines + ["</context>", "</TS>", ""])


def places(text):
    """The places of a pattern with what each asks for, by number."""
    found, next_place = {}, 0
    for match in re.finditer(r"\{(\d*)(:[^}]*)?\}", text.replace("{{", "").replace("}}", "")):
        number = int(match.group(1)) if match.group(1) else next_place
        next_place += match.group(1) == ""
        found[number] = match.group(2) or ""
    return found


def faults(text, forms):
    for form in forms:
        for number, spec in places(form).items():
            if places(text).get(number) != spec and "%" not in text and "{surface}" not in text:
                yield f"“{form}” has the place {{{number}{spec}}}, which “{text}” has not"
        for place in re.findall("%[1-9]", form):
            if place not in text:
                yield f"“{form}” has the place {place}, which “{text}” has not"
        for place in set(re.findall("%[1-9]", text)):
            if place not in form:
                yield f"“{form}” lacks the place {place} of “{text}”"
        mnemonic = r"&(?!&|nbsp;|[a-z]+;)\w"
        if len(re.findall(mnemonic, text)) != len(re.findall(mnemonic, form)) and "<" not in text:
            yield f"“{form}” and “{text}” do not have one mnemonic each"


def main():
    needed, words = texts()
    bad = 0
    for file in sorted(here.glob("wembrix_*.ts")):
        have = read(file)
        if "--check" in sys.argv:
            missing = [text for text in needed if text not in have]
            gone = [text for text in have if text not in needed and text not in words]
            wrong = [fault for text, forms in have.items() for fault in faults(text, forms)]
            for what, list_of in (("lacks", missing), ("no longer needs", gone), ("is wrong:", wrong)):
                for one in list_of[:20]:
                    print(f"{file.name} {what} {one!r}")
                if len(list_of) > 20:
                    print(f"{file.name} {what} {len(list_of) - 20} more")
                bad += len(list_of)
        else:
            file.write_text(written(needed, have, words, file.stem.split("_")[1]))
            print(f"{file.name}: {len(needed)} texts, {sum(text not in have for text in needed)} of them unfinished")
    if bad:
        sys.exit("bring them up to date with share/languages/update.py, then fill in what is unfinished")


main()

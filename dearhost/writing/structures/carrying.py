"""What a brief must hold for a structure, said in words where it does not."""

from __future__ import annotations

from dearhost.writing.brief_reading import BriefRead
from dearhost.writing.english.clauses import Form
from dearhost.writing.matter import Matter
from dearhost.writing.points import Kind
from dearhost.writing.remarks import RemarkKind
from dearhost.writing.sayings import asked


def nothing_more(read: BriefRead) -> str:
    return ""


def needs_trouble(read: BriefRead) -> str:
    if read.matter not in (Matter.PRODUCT, Matter.EVENT, Matter.NOTICE):
        return "It takes a way out: a thing, an event or a warning."
    troubled = any(remark.kind in (RemarkKind.PAIN, RemarkKind.WISH) for remark in read.remarks)
    if troubled or any(Kind.PAIN in point.kinds for point in read.points):
        return ""
    return "Nothing here is a problem: put what bothers them under In their words."


def needs_gain(read: BriefRead) -> str:
    if any(Kind.BENEFIT in point.kinds and point.form is Form.SENTENCE for point in read.points):
        return "" if read.is_thing else "It takes a thing that stands between before and after."
    return "No point says what they gain: add one with “you”."


def needs_question(read: BriefRead) -> str:
    if any(remark.kind in (RemarkKind.QUESTION, RemarkKind.BELIEF) for remark in read.remarks):
        return ""
    if any(asked(point, "it", names=read.names, lesson=read.is_lesson) for point in read.points):
        return ""
    return "No point answers a question: put what they ask under In their words."


def needs_reasons(read: BriefRead) -> str:
    if read.matter is not Matter.LESSON:
        return "It is a lesson: say in What it is for what they should know or be able to do."
    if any(asked(point, "it", names=read.names, lesson=True) for point in read.points):
        return ""
    return "A lesson asks something: add a point with “so” or “because”."


def needs_story(read: BriefRead) -> str:
    told = sum(bool(point.needs) or Kind.EVENT in point.kinds for point in read.points)
    steps = any(point.form is Form.IMPERATIVE for point in read.points)
    if read.matter is Matter.STORY or (not steps and len(read.points) >= 5 and told >= 0.6 * len(read.points)):
        return ""
    return "The points do not tell one after another what happened."


def needs_person(read: BriefRead) -> str:
    if read.matter is Matter.GREETING:
        return ""
    return "A greeting speaks to one person: say in What it is for whom it welcomes or thanks."


def needs_comments(read: BriefRead) -> str:
    if sum(remark.kind is not RemarkKind.QUESTION for remark in read.remarks) >= 2:
        return ""
    return "It takes two answers: put what people say under In their words."


def needs_rules(read: BriefRead) -> str:
    if read.matter is Matter.NOTICE or sum(Kind.RULE in point.kinds for point in read.points) >= 2:
        return ""
    return "No point says what must be done or left."

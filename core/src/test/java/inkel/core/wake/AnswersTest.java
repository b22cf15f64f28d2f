package inkel.core.wake;

import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.core.bench.Asked;
import inkel.core.bench.Question;
import inkel.core.bench.Scene;
import inkel.core.document.Place;
import inkel.core.quantity.Unit;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import org.junit.jupiter.api.Test;

class AnswersTest {
    private static Check check(Check.Kind kind, Expected expected) {
        return new Check(
                "any",
                Group.of(Phase.TOGETHER),
                kind,
                Place.ofNode("bench"),
                Optional.empty(),
                Optional.empty(),
                "",
                expected,
                Optional.empty(),
                List.of(),
                List.of(),
                new Asked(Scene.resting(Set.of()), new Question.Look(Question.Sort.DONE, Place.ofNode("bench"))));
    }

    @Test
    void aNumberIsTheSameHoweverItIsWritten() {
        Check register = check(Check.Kind.REGISTER, new Expected.OneOf(List.of("0x08", "0xE5")));
        for (String text : List.of("0x08", "8", "08", " 0X8 ", "e5", "0xE5")) {
            assertTrue(Answers.isExpected(register, text), text);
        }
        for (String text : List.of("0x80", "", "0x", "0xFF", "8 8", "e5!")) {
            assertFalse(Answers.isExpected(register, text), text);
        }
    }

    /** A word of 0x0298 is 20.75 degrees in quarters above three bits of state: the bits of 8, 16, 24 or 32 degrees count. */
    @Test
    void onlyTheBitsThatAlwaysAreTheSameCount() {
        Check warmth =
                check(Check.Kind.REGISTER, new Expected.OneOf(List.of("0x0200", "0x0300"), Optional.of(0xFF06L)));
        for (String text : List.of("0x0200", "0x0298", "298", "0x03F8", "0x0299")) {
            assertTrue(Answers.isExpected(warmth, text), text);
        }
        for (String text :
                List.of("0x029C", "0x0000", "0xFFFF", "0x8298", "0x0198", "", "warm", "0x12345678901234567890")) {
            assertFalse(Answers.isExpected(warmth, text), text);
        }
    }

    @Test
    void zeroIsANumber() {
        Check register = check(Check.Kind.REGISTER, new Expected.OneOf(List.of("0x00")));
        assertTrue(Answers.isExpected(register, "0"));
        assertFalse(Answers.isExpected(register, ""));
    }

    @Test
    void whoAnswersIsToldInAnyOrderAndAllOfThem() {
        Check scan = check(Check.Kind.ANSWERS, new Expected.AllOf(List.of("0x29", "0x53")));
        assertTrue(Answers.isExpected(scan, "0x53, 0x29"));
        assertTrue(Answers.isExpected(scan, "29 53"));
        assertFalse(Answers.isExpected(scan, "0x29"));
        assertFalse(Answers.isExpected(scan, "0x29 0x53 0x68"));
    }

    @Test
    void aReplyMayGoOn() {
        Check reply = check(Check.Kind.REPLY, new Expected.OneOf(List.of("$G")));
        assertTrue(Answers.isExpected(reply, "$GPGGA,1830"));
        assertFalse(Answers.isExpected(reply, "OK"));
    }

    @Test
    void whatIsMeasuredIsNoAnswer() {
        assertFalse(Answers.isExpected(check(Check.Kind.VOLTS, Expected.Within.between(Unit.VOLT, 3.2, 3.4)), "3.3"));
    }
}

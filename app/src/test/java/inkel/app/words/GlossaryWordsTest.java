package inkel.app.words;

import static org.junit.jupiter.api.Assertions.assertEquals;
import static org.junit.jupiter.api.Assertions.assertFalse;
import static org.junit.jupiter.api.Assertions.assertTrue;

import inkel.app.kit.Given;
import inkel.core.checks.Assessment;
import inkel.core.terms.Term;
import java.util.List;
import java.util.Set;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class GlossaryWordsTest {
    @ParameterizedTest
    @EnumSource(Term.class)
    void eachHasItsMeaningItsSpellingAndItsSentence(Term term) {
        for (String part : List.of("", ".text", ".words")) {
            assertTrue(Words.has("term." + term.text() + part), term + part);
        }
        assertTrue(Words.has("term.here." + term.text()));
        assertEquals(List.of(term), GlossaryWords.find(GlossaryWords.meaning(term)));
    }

    @Test
    void sentencesOfTheExamplesHaveAllTheirNumbers() {
        for (String example : List.of(Given.LOCKS, Given.MOTH_LAMP, Given.FIRST_SKETCH)) {
            Assessment assessment = Given.assessment(example);
            assessment.build().nodes().forEach(node -> {
                for (Term term : Term.values()) {
                    GlossaryWords.here(assessment, node.id(), term)
                            .forEach(said -> assertFalse(said.contains("{") || said.contains("="), said));
                }
            });
        }
    }

    @Test
    void aTermIsFoundInATextByWholeWordsAlone() {
        assertTrue(GlossaryWords.in("SDA has two pull-ups.").contains(Term.PULL_UP));
        assertFalse(GlossaryWords.in("It was straplessly made.").contains(Term.STRAP));
        assertEquals(List.of(), GlossaryWords.in("Nothing of note"));
    }

    @Test
    void whatIsTypedFindsByNameSpellingAndMeaning() {
        assertTrue(GlossaryWords.find("VIH").contains(Term.THRESHOLD));
        assertEquals(Set.of(Term.values()).size(), GlossaryWords.find("").size());
        assertEquals(List.of(), GlossaryWords.find("xyzzy"));
    }
}

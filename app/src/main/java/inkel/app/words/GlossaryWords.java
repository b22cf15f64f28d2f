package inkel.app.words;

import inkel.core.checks.Assessment;
import inkel.core.terms.Term;
import inkel.core.terms.TermNumbers;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** Words of the field, what they mean, and where they stand in a text. */
public final class GlossaryWords {
    private GlossaryWords() {}

    public static String name(Term term) {
        return Words.get("term." + term.text());
    }

    public static String meaning(Term term) {
        return Words.get("term." + term.text() + ".text");
    }

    /** What a term comes to on a board, one sentence a case. */
    public static List<String> here(Assessment assessment, String node, Term term) {
        return TermNumbers.of(assessment, node, term).stream().map(Words::say).toList();
    }

    /** All of them by name. */
    public static List<Term> all() {
        return Arrays.stream(Term.values())
                .sorted(Comparator.comparing(GlossaryWords::name, String.CASE_INSENSITIVE_ORDER))
                .toList();
    }

    /** The terms that a text uses, each once. */
    public static List<Term> in(String text) {
        return all().stream().filter(term -> isIn(term, text)).toList();
    }

    /** Those whose name, spelling or meaning has what is typed; all for nothing. */
    public static List<Term> find(String typed) {
        String wanted = typed.strip().toLowerCase(Locale.ROOT);
        return all().stream()
                .filter(term -> (name(term) + " " + spelled(term) + " " + meaning(term))
                        .toLowerCase(Locale.ROOT)
                        .contains(wanted))
                .toList();
    }

    private static String spelled(Term term) {
        return Words.get("term." + term.text() + ".words");
    }

    private static boolean isIn(Term term, String text) {
        String any = Arrays.stream(spelled(term).split(","))
                .map(word -> Pattern.quote(word.strip()))
                .collect(Collectors.joining("|"));
        return Pattern.compile("(?<![\\p{L}])(" + any + ")(?![\\p{L}])", Pattern.CASE_INSENSITIVE)
                .matcher(text)
                .find();
    }
}

package inkel.core.catalog;

import inkel.core.quantity.Engineering;
import inkel.core.quantity.Quantity;
import inkel.core.quantity.Unit;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.function.DoubleFunction;
import java.util.function.DoublePredicate;
import java.util.function.Function;
import java.util.regex.Matcher;
import java.util.regex.Pattern;
import java.util.stream.Collectors;

/** The ways in which settings are written: a number with a unit, one of a few words, or several names. */
final class SettingReaders {
    private static final Pattern REASONED = Pattern.compile("(?<name>[^ ,()]+)(?: \\((?<why>[^()]*)\\))?(?:, *|$)");

    /** For a list without anything in it. */
    static final String NONE = "none";

    private SettingReaders() {}

    /** An amount above zero. */
    @SuppressWarnings("unchecked") // Quantity.of gives the record of the unit that was asked for
    static <Q extends Quantity> Setting.Reader<Q> amount(Unit unit, String example) {
        return amount(unit, example, value -> value > 0, value -> (Q) Quantity.of(unit, value));
    }

    static <T> Setting.Reader<T> amount(Unit unit, String example, DoublePredicate isGood, DoubleFunction<T> make) {
        return new Setting.Reader<>() {
            @Override
            public Optional<T> read(PartClass cls, String text) {
                return Engineering.parse(text, unit).filter(isGood::test).map(make::apply);
            }

            @Override
            public String example(PartClass cls) {
                return example;
            }

            @Override
            public boolean isChoice() {
                return false;
            }
        };
    }

    /** A text of a form, taken as it is. */
    static Setting.Reader<String> text(Pattern form, String example) {
        return new Setting.Reader<>() {
            @Override
            public Optional<String> read(PartClass cls, String text) {
                return form.matcher(text).matches() ? Optional.of(text) : Optional.empty();
            }

            @Override
            public String example(PartClass cls) {
                return example;
            }

            @Override
            public boolean isChoice() {
                return false;
            }
        };
    }

    /** A whole number, both ends included. */
    static Setting.Reader<Integer> whole(int least, int most, String example) {
        return amount(Unit.ONE, example, value -> value == Math.rint(value) && value >= least && value <= most, value ->
                (int) value);
    }

    /** The names of an enum, in small letters. */
    static <E extends Enum<E>> Setting.Reader<E> names(Class<E> of) {
        return named(cls -> Arrays.asList(of.getEnumConstants()), constant -> constant.name()
                .toLowerCase(Locale.ROOT));
    }

    /** Words, each with what it means. */
    static <T> Setting.Reader<T> words(Map<String, T> meanings) {
        return named(
                        cls -> meanings.entrySet().stream()
                                .sorted(Map.Entry.comparingByKey())
                                .toList(),
                        Map.Entry::getKey)
                .map(Map.Entry::getValue);
    }

    /** One of what the class has, by its name. */
    static <T> Named<T> named(Function<PartClass, List<T>> all, Function<T, String> name) {
        return new Named<>(all, name);
    }

    /** Several of the names that the class has, with blanks or commas between them. */
    static Setting.Reader<List<String>> several(Function<PartClass, List<String>> all) {
        return new Setting.Reader<>() {
            @Override
            public Optional<List<String>> read(PartClass cls, String text) {
                List<String> given = List.of(text.split("[ ,]+"));
                return all.apply(cls).containsAll(given) ? Optional.of(given) : Optional.empty();
            }

            @Override
            public String example(PartClass cls) {
                return String.join(", ", all.apply(cls));
            }

            @Override
            public boolean isChoice() {
                return true;
            }
        };
    }

    /** Several of what the class has, with commas between them, or {@code none}. */
    static Setting.Reader<List<String>> listed(Function<PartClass, List<String>> all) {
        return new Setting.Reader<>() {
            @Override
            public Optional<List<String>> read(PartClass cls, String text) {
                List<String> given = text.equals(NONE) ? List.of() : List.of(text.split(" *, *"));
                return all.apply(cls).containsAll(given) ? Optional.of(given) : Optional.empty();
            }

            @Override
            public String example(PartClass cls) {
                return String.join(", ", all.apply(cls)) + " / " + NONE;
            }

            @Override
            public boolean isChoice() {
                return false;
            }
        };
    }

    /** Several names, each with why in brackets behind it where the builder said so: {@code CH2 (one is enough), BL}. */
    static Setting.Reader<Map<String, String>> reasoned(Function<PartClass, List<String>> all) {
        return new Setting.Reader<>() {
            @Override
            public Optional<Map<String, String>> read(PartClass cls, String text) {
                Map<String, String> given = new LinkedHashMap<>();
                Matcher next = REASONED.matcher(text);
                int end = 0;
                while (end < text.length() && next.find(end) && next.start() == end) {
                    given.put(next.group("name"), next.group("why") == null ? "" : next.group("why"));
                    end = next.end();
                }
                boolean isRead = end == text.length() && !given.isEmpty();
                return isRead && all.apply(cls).containsAll(given.keySet()) ? Optional.of(given) : Optional.empty();
            }

            @Override
            public String example(PartClass cls) {
                return String.join(", ", all.apply(cls));
            }

            @Override
            public boolean isChoice() {
                return true;
            }
        };
    }

    /** A choice by name. */
    record Named<T>(Function<PartClass, List<T>> all, Function<T, String> name) implements Setting.Reader<T> {
        @Override
        public Optional<T> read(PartClass cls, String text) {
            return all.apply(cls).stream()
                    .filter(choice -> name.apply(choice).equals(text))
                    .findFirst();
        }

        @Override
        public String example(PartClass cls) {
            return all.apply(cls).stream().map(name).collect(Collectors.joining(", "));
        }

        @Override
        public boolean isChoice() {
            return true;
        }

        <R> Setting.Reader<R> map(Function<T, R> meaning) {
            Named<T> names = this;
            return new Setting.Reader<>() {
                @Override
                public Optional<R> read(PartClass cls, String text) {
                    return names.read(cls, text).map(meaning);
                }

                @Override
                public String example(PartClass cls) {
                    return names.example(cls);
                }

                @Override
                public boolean isChoice() {
                    return true;
                }
            };
        }
    }
}

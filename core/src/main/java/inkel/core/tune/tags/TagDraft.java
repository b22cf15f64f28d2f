package inkel.core.tune.tags;

import inkel.core.catalog.BenchKind;
import inkel.core.catalog.PinUse;
import inkel.core.circuit.NodeCircuit;
import inkel.core.circuit.Placed;
import inkel.core.document.Tuning;
import inkel.core.formula.TagNumber;
import inkel.core.quantity.Source;
import inkel.core.tune.Constant;
import inkel.core.tune.Draft;
import inkel.core.tune.sample.Wired;
import java.util.ArrayList;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;

/**
 * The tags that a reader knows.
 *
 * @param part as its builder calls it
 * @param tags in the order they were told
 */
public record TagDraft(String part, List<Tag> tags) implements Draft {
    private static final String TAG = "tag_";
    private static final String NAME = "_name";
    private static final String DOES = "_does";
    private static final String ALLOW = "allow";
    private static final String REFUSE = "refuse";

    public TagDraft {
        tags = List.copyOf(tags);
    }

    /** Empty for a reader that is on no bus and no serial line. */
    public static Optional<TagDraft> of(NodeCircuit node, Placed part, Optional<Tuning> kept) {
        boolean isWired = Wired.onBus(node, part)
                || !Wired.pins(node, part, pin -> pin.use() == PinUse.UART_TX).isEmpty();
        return isWired
                ? Optional.of(new TagDraft(
                        part.part().name(), kept.map(TagDraft::tags).orElse(List.of())))
                : Optional.empty();
    }

    /** Those that were kept. */
    public static List<Tag> tags(Tuning kept) {
        List<Tag> tags = new ArrayList<>();
        kept.choices().forEach((key, value) -> {
            boolean isTag = key.matches(TAG + "(?:[0-9a-f]{2})+");
            if (isTag) {
                tags.add(new Tag(
                        TagText.candidates(spaced(key.substring(TAG.length()))).get(0),
                        kept.choice(key + NAME).orElse(""),
                        value.equals(ALLOW),
                        kept.choice(key + DOES).orElse("")));
            }
        });
        return tags;
    }

    private static String spaced(String hex) {
        return hex.replaceAll("(..)(?!$)", "$1 ");
    }

    /** With a tag more, or told anew. */
    public TagDraft with(Tag tag) {
        List<Tag> more = new ArrayList<>(tags);
        more.removeIf(old -> old.bytes().equals(tag.bytes()));
        more.add(tag);
        return new TagDraft(part, more);
    }

    public TagDraft without(Tag tag) {
        return new TagDraft(part, tags.stream().filter(old -> !old.equals(tag)).toList());
    }

    public Optional<Tag> tag(List<Integer> bytes) {
        return tags.stream().filter(tag -> tag.bytes().equals(bytes)).findFirst();
    }

    /** Another tag of the same name, which a person takes for the same. */
    public Optional<Tag> alike(Tag tag) {
        return tags.stream()
                .filter(other ->
                        !other.bytes().equals(tag.bytes()) && other.name().equalsIgnoreCase(tag.name()))
                .findFirst();
    }

    /** What happens when a tag is held there. */
    public Tap tap(TagDevice.Read read) {
        if (!read.isWell()) {
            return new Tap(Tap.Sort.BAD, read.bytes(), Optional.empty());
        } else if (TagText.isRandom(read.bytes())) {
            return new Tap(Tap.Sort.RANDOM, read.bytes(), Optional.empty());
        }
        Optional<Tag> known = tag(read.bytes());
        return new Tap(
                known.map(tag -> tag.isAllowed() ? Tap.Sort.ALLOWED : Tap.Sort.REFUSED)
                        .orElse(Tap.Sort.STRANGE),
                read.bytes(),
                known);
    }

    /** As a text may mean two numbers, one that is known goes before one that is not. */
    public Optional<List<Integer>> meant(String text) {
        List<List<Integer>> candidates = TagText.candidates(text);
        return candidates.stream()
                .filter(bytes -> tag(bytes).isPresent())
                .findFirst()
                .or(() -> candidates.stream().findFirst());
    }

    @Override
    public Tuning tuning() {
        Map<String, String> choices = new LinkedHashMap<>();
        for (Tag tag : tags) {
            String key = TAG + TagText.text(tag.bytes()).replace(" ", "").toLowerCase(Locale.ROOT);
            choices.put(key, tag.isAllowed() ? ALLOW : REFUSE);
            choices.put(key + NAME, tag.name());
            choices.put(key + DOES, tag.does());
        }
        return new Tuning(BenchKind.TAGS, Map.of(), Map.of(), Map.of(), choices, Map.of());
    }

    @Override
    public boolean isOfSameRig(Draft other) {
        return other instanceof TagDraft tag && tag.part.equals(part);
    }

    /** Of each tag its bytes, and for those of 13.56 MHz the check byte of each cascade level behind them is for the reader. */
    @Override
    public List<Constant> constants() {
        List<Constant> constants = new ArrayList<>();
        long allowed = tags.stream().filter(Tag::isAllowed).count();
        constants.add(new Constant(Constant.identifier(part, "TAGS_ALLOWED"), String.valueOf(allowed), Source.YOURS));
        for (Tag tag : tags) {
            constants.add(new Constant(
                    Constant.identifier(part, tag.isAllowed() ? ALLOW : REFUSE, tag.name()),
                    Constant.bytes(tag.bytes()),
                    Source.MEASURED));
        }
        return constants;
    }

    /** In how many cascades a tag goes over the air; one for the serial kind. */
    public static int cascades(List<Integer> bytes) {
        return bytes.size() == 4 || bytes.size() == 7 || bytes.size() == 10
                ? new TagNumber(bytes).levels().size()
                : 1;
    }
}

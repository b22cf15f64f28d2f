package inkel.stress.kit;

import com.fasterxml.jackson.databind.JsonNode;
import com.fasterxml.jackson.databind.node.ArrayNode;
import com.fasterxml.jackson.databind.node.BigIntegerNode;
import com.fasterxml.jackson.databind.node.BooleanNode;
import com.fasterxml.jackson.databind.node.DecimalNode;
import com.fasterxml.jackson.databind.node.IntNode;
import com.fasterxml.jackson.databind.node.JsonNodeFactory;
import com.fasterxml.jackson.databind.node.LongNode;
import com.fasterxml.jackson.databind.node.NullNode;
import com.fasterxml.jackson.databind.node.ObjectNode;
import com.fasterxml.jackson.databind.node.TextNode;
import java.math.BigDecimal;
import java.math.BigInteger;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Random;

/** Changes a tree here and there, so that most of it stays as it should be and the rest is anything at all. */
public final class Spoiler {
    /** Most files that are wrong are wrong in one place; several together find what one hides. */
    private static final int[] CHANGES = {1, 1, 1, 2, 2, 3, 4};

    private static final int DEEP = 90;
    private static final JsonNodeFactory NODES = JsonNodeFactory.instance;

    private final Random random;
    private final List<JsonNode> values = new ArrayList<>();
    private final List<String> texts = new ArrayList<>();
    private final List<String> keys = new ArrayList<>();
    private final Map<String, List<JsonNode>> byKey = new HashMap<>();
    private final List<Slot> slots = new ArrayList<>();

    /** A place in the tree that holds a value: a key of an object, or a place in a list. */
    private record Slot(JsonNode in, String key, int index) {
        JsonNode value() {
            return in instanceof ObjectNode ? in.get(key) : in.get(index);
        }

        void put(JsonNode value) {
            if (in instanceof ObjectNode object) {
                object.set(key, value);
            } else {
                ((ArrayNode) in).set(index, value);
            }
        }

        void take() {
            if (in instanceof ObjectNode object) {
                object.remove(key);
            } else {
                ((ArrayNode) in).remove(index);
            }
        }
    }

    private Spoiler(Random random) {
        this.random = random;
    }

    /** A copy of the tree with one to four changes. */
    public static JsonNode spoilt(JsonNode tree, Random random) {
        JsonNode copy = tree.deepCopy();
        int changes = CHANGES[random.nextInt(CHANGES.length)];
        for (int i = 0; i < changes; i++) {
            Spoiler spoiler = new Spoiler(random);
            spoiler.gather(copy);
            if (spoiler.slots.isEmpty()) {
                break;
            }
            spoiler.change();
        }
        return copy;
    }

    private void gather(JsonNode node) {
        if (node instanceof ObjectNode object) {
            object.fieldNames().forEachRemaining(key -> {
                keys.add(key);
                slots.add(new Slot(node, key, 0));
                byKey.computeIfAbsent(key, first -> new ArrayList<>()).add(object.get(key));
                gather(object.get(key));
            });
        } else if (node instanceof ArrayNode array) {
            for (int i = 0; i < array.size(); i++) {
                slots.add(new Slot(node, "", i));
                gather(array.get(i));
            }
        } else if (node.isTextual()) {
            texts.add(node.textValue());
        }
        values.add(node);
    }

    private void change() {
        Slot slot = Chance.of(random, slots);
        switch (random.nextInt(16)) {
            case 0 -> slot.take();
            case 1 -> slot.put(new TextNode(Oddities.text(random)));
            case 2 -> slot.put(number(Oddities.number(random)));
            case 3 ->
                slot.put(Chance.of(
                        random,
                        List.of(
                                NullNode.getInstance(),
                                BooleanNode.TRUE,
                                BooleanNode.FALSE,
                                NODES.objectNode(),
                                NODES.arrayNode())));
            case 4 -> slot.put(Chance.of(random, values).deepCopy());
            case 5 -> renamed(slot);
            case 6 -> list(slot);
            case 7 -> added(slot);
            case 8 -> slot.put(nearby(slot.value()));
            case 9 -> deep(slot);
            case 10 -> sameKind(slot);
            default -> sameKey(slot);
        }
    }

    /** What stands under the same key elsewhere is a value that would be right in another place. */
    private void sameKey(Slot slot) {
        List<JsonNode> alike = byKey.getOrDefault(slot.key(), values);
        slot.put(Chance.of(random, alike).deepCopy());
    }

    /** A value of the same kind from elsewhere is what people mix up most. */
    private void sameKind(Slot slot) {
        if (slot.value().isTextual() && !texts.isEmpty()) {
            slot.put(new TextNode(Chance.of(random, texts)));
        } else if (slot.value().isNumber()) {
            slot.put(number(Oddities.number(random)));
        } else {
            slot.put(Chance.of(random, values).deepCopy());
        }
    }

    private void renamed(Slot slot) {
        if (slot.in() instanceof ObjectNode object) {
            JsonNode value = object.remove(slot.key());
            object.set(Chance.oneIn(random, 2) ? Oddities.text(random) : Chance.of(random, keys), value);
        } else {
            slot.put(NODES.objectNode().set(Chance.of(random, keys), slot.value()));
        }
    }

    private void list(Slot slot) {
        if (!(slot.value() instanceof ArrayNode array) || array.isEmpty()) {
            slot.put(NODES.arrayNode().add(slot.value()));
            return;
        }
        switch (random.nextInt(3)) {
            case 0 -> array.add(array.get(random.nextInt(array.size())).deepCopy());
            case 1 -> array.removeAll();
            default -> {
                List<JsonNode> shuffled = new ArrayList<>();
                array.forEach(shuffled::add);
                Collections.shuffle(shuffled, random);
                array.removeAll();
                array.addAll(shuffled);
            }
        }
    }

    private void added(Slot slot) {
        if (slot.value() instanceof ObjectNode object) {
            object.set(Chance.of(random, keys), Chance.of(random, values).deepCopy());
        } else if (slot.in() instanceof ObjectNode object) {
            object.set(Oddities.text(random), slot.value().deepCopy());
        } else {
            ((ArrayNode) slot.in()).add(Chance.of(random, values).deepCopy());
        }
    }

    /** As somebody mistypes: a letter more, less or other; a number times ten or with its sign turned. */
    private JsonNode nearby(JsonNode value) {
        if (value.isTextual()) {
            StringBuilder text = new StringBuilder(value.textValue());
            int at = random.nextInt(text.length() + 1);
            switch (random.nextInt(3)) {
                case 0 -> text.insert(at, "0-.# eMkVA".charAt(random.nextInt(10)));
                case 1 -> text.delete(Math.max(0, at - 1), at);
                default -> text.insert(0, Chance.oneIn(random, 2) ? "-" : "1");
            }
            return new TextNode(text.toString());
        }
        if (value.isNumber()) {
            BigDecimal number = value.decimalValue();
            return DecimalNode.valueOf(
                    Chance.oneIn(random, 2) ? number.negate() : number.movePointRight(1 + random.nextInt(6)));
        }
        return value.deepCopy();
    }

    private void deep(Slot slot) {
        JsonNode value = slot.value().deepCopy();
        for (int i = 0; i < (Chance.oneIn(random, 4) ? DEEP : 2); i++) {
            value = NODES.arrayNode().add(value);
        }
        slot.put(value);
    }

    private static JsonNode number(Number number) {
        if (number instanceof Integer whole) {
            return IntNode.valueOf(whole);
        }
        if (number instanceof Long whole) {
            return LongNode.valueOf(whole);
        }
        return number instanceof BigInteger whole
                ? BigIntegerNode.valueOf(whole)
                : DecimalNode.valueOf((BigDecimal) number);
    }
}

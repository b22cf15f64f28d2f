package inkel.app.cli;

import com.fasterxml.jackson.core.JsonGenerator;
import com.fasterxml.jackson.core.JsonProcessingException;
import com.fasterxml.jackson.databind.json.JsonMapper;
import inkel.core.quantity.Quantity;
import java.io.IOException;
import java.io.PrintWriter;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.LinkedHashMap;
import java.util.Map;

/** Prints answers as JSON. */
final class Json {
    private static final MathContext DIGITS = new MathContext(12);

    static final JsonMapper MAPPER = JsonMapper.builder().build();

    private Json() {}

    static String print(Object value) {
        try {
            return MAPPER.writerWithDefaultPrettyPrinter().writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("plain values", e);
        }
    }

    /** As {@link #print(Object)}, piece by piece: what is iterated over is never there as a whole. */
    static void print(PrintWriter out, Object value) {
        try {
            MAPPER.writerWithDefaultPrettyPrinter()
                    .without(JsonGenerator.Feature.AUTO_CLOSE_TARGET)
                    .writeValue(out, value);
        } catch (IOException e) {
            throw new IllegalStateException("plain values", e);
        }
        out.println();
    }

    static String line(Object value) {
        try {
            return MAPPER.writeValueAsString(value);
        } catch (JsonProcessingException e) {
            throw new IllegalStateException("plain values", e);
        }
    }

    /** Puts a quantity under a key that carries its unit, in SI base units; other values as they are. */
    static void put(Map<String, Object> object, String key, Object value) {
        if (value instanceof Quantity quantity) {
            // Without the last digits, which tell of the machine's arithmetic.
            double si = quantity.si();
            object.put(
                    quantity.unit().key(key),
                    Double.isFinite(si) ? BigDecimal.valueOf(si).round(DIGITS).doubleValue() : si);
        } else {
            object.put(key, value);
        }
    }

    static Map<String, Object> object() {
        return new LinkedHashMap<>();
    }
}

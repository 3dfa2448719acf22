package dev.deftchisel.added.lombok;

import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.tree.VariableTree;
import dev.deftchisel.added.AnnotatedType;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.outline.Insertion;
import java.util.ArrayList;
import java.util.List;

/**
 * Fields whose value is computed by their getter: whatever they say, they hold a reference to it. The compiler is
 * shown {@code AtomicReference<Type> name = new AtomicReference<>(value)}.
 */
final class LazyFields {

    private static final String HOLDER = "java.util.concurrent.atomic.AtomicReference";

    private LazyFields() {
    }

    static boolean isLazy(ConfiguredType reading, VariableTree field) {
        return reading.annotation(field.getModifiers(), "Getter").flatMap(one -> AnnotatedType.text(one, "lazy"))
                .filter("true"::equals).isPresent()
                && field.getInitializer() != null;
    }

    /** What is to be inserted in the declarations of such fields. */
    static List<Insertion> in(ConfiguredType reading) {
        List<Insertion> insertions = new ArrayList<>();
        for (VariableTree field : reading.fields()) {
            if (isLazy(reading, field)) {
                Tree said = field.getType();
                Range type = reading.type().range(said);
                Range value = reading.type().range(field.getInitializer());
                boolean isPrimitive = said instanceof PrimitiveTypeTree;
                // a type argument cannot be primitive (JLS 4.5.1)
                insertions.add(new Insertion(type.start(), isPrimitive ? HOLDER + "<java.lang.Object> /*"
                        : HOLDER + "<", false));
                insertions.add(new Insertion(type.end(), isPrimitive ? "*/" : ">", false));
                insertions.add(new Insertion(value.start(), "new " + HOLDER + "<>(", false));
                insertions.add(new Insertion(value.end(), ")", false));
            }
        }
        return insertions;
    }
}

package dev.deftchisel.declare.signature;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.declare.inference.CommonSupertype;
import dev.deftchisel.declare.inference.TypeSubstitution;
import dev.deftchisel.declare.inference.UnresolvedName;
import dev.deftchisel.declare.inference.UseTypes;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/** What several calls pass in one place of their arguments, and the type that takes it all. */
public final class ArgumentTypes {

    private final AttributedFile code;
    private final List<TypeMirror> values = new ArrayList<>();
    private final List<TypeSubstitution> views = new ArrayList<>();
    private boolean isNull;
    private boolean isUnknown;

    private ArgumentTypes(AttributedFile code) {
        this.code = code;
    }

    /**
     * @param calls at least one, all with an argument there
     * @param views how each sees the type that is called
     */
    public static ArgumentTypes of(List<UnresolvedName> calls, List<TypeSubstitution> views, int index,
            UseTypes types) {
        return of(calls, views, index, index + 1, types);
    }

    /** What is passed from there on. */
    public static ArgumentTypes from(List<UnresolvedName> calls, List<TypeSubstitution> views, int index,
            UseTypes types) {
        return of(calls, views, index, Integer.MAX_VALUE, types);
    }

    private static ArgumentTypes of(List<UnresolvedName> calls, List<TypeSubstitution> views, int start, int end,
            UseTypes types) {
        ArgumentTypes handed = new ArgumentTypes(calls.get(0).code());
        for (int i = 0; i < calls.size(); i++) {
            UnresolvedName call = calls.get(i);
            for (ExpressionTree argument : call.arguments().subList(start, Math.min(end, call.arguments().size()))) {
                handed.add(call.code(), new TreePath(call.call().orElseThrow(), argument), views.get(i), types);
            }
        }
        return handed;
    }

    private void add(AttributedFile there, TreePath argument, TypeSubstitution view, UseTypes types) {
        Optional<TypeMirror> type = types.of(there, argument);
        if (there.type(argument).filter(one -> one.getKind() == TypeKind.NULL).isPresent()) {
            isNull = true;
        } else if (type.isPresent()) {
            values.add(type.get());
            views.add(view);
        } else {
            isUnknown = true;
        }
    }

    /** The one of the types that takes all, when there is one and nothing else is passed. */
    public Optional<TypeMirror> common() {
        return Optional.of(values).filter(all -> !isUnknown && !all.isEmpty()).map(new CommonSupertype(code)::of)
                .map(this::nullable)
                .filter(type -> !NamedTypes.is(type, "java.lang.Object") && takesAll(type));
    }

    /** Empty when no call tells. */
    public Optional<TypeMirror> type() {
        if (values.isEmpty()) {
            return isNull ? Optional.of(code.object()) : Optional.empty();
        }
        TypeMirror general = nullable(new CommonSupertype(code).of(values));
        // what other places see of a generic type is not always to be trusted: only own values can rule the likeliest
        // type out
        boolean isRuledOut = IntStream.range(0, values.size()).filter(i -> views.get(i).isPlain())
                .anyMatch(i -> !code.types().isAssignable(values.get(i), general));
        Stream<TypeMirror> wider = Stream.of(UseTypes.opened(code, general, any -> true), code.types().erasure(general))
                .filter(type -> isRuledOut);
        return Optional.of(Stream.of(Stream.of(general), values.stream(), declared(), wider)
                .flatMap(types -> types)
                .map(this::nullable).filter(this::takesAll).findFirst().orElse(general));
    }

    private TypeMirror nullable(TypeMirror type) {
        return isNull ? code.boxed(type) : type;
    }

    private Stream<TypeMirror> declared() {
        return IntStream.range(0, values.size()).mapToObj(i -> views.get(i).declared(values.get(i)));
    }

    private boolean takesAll(TypeMirror type) {
        return IntStream.range(0, values.size())
                .allMatch(i -> code.types().isAssignable(values.get(i), views.get(i).seen(type)));
    }
}

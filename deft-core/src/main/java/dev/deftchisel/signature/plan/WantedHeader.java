package dev.deftchisel.signature.plan;

import com.sun.source.tree.ExpressionTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.CallCandidates;
import dev.deftchisel.analysis.code.Calls;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.change.NewSignature;
import dev.deftchisel.header.TypedHeader;
import dev.deftchisel.member.PlaceholderCode;
import dev.deftchisel.operation.NameProposals;
import dev.deftchisel.operation.NewName;
import java.util.ArrayList;
import java.util.HashSet;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import javax.lang.model.element.ExecutableElement;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * The parameters that a method would need for a call that does not fit it.
 *
 * @param origins for each argument the index of the parameter that takes it, or {@link NewSignature#ADDED}
 * @param types   for each argument the type that its parameter must get; empty where it keeps its own
 * @param name    of the parameter that is new; empty where none is
 * @param title   what it does, for people
 */
public record WantedHeader(List<Integer> origins, List<Optional<String>> types, String name, String title) {

    private static final int MOST = 7;

    /** Copies the lists. */
    public WantedHeader {
        origins = List.copyOf(origins);
        types = List.copyOf(types);
    }

    /** What fits; empty where nothing simple does, or where it fits already. */
    public static Optional<WantedHeader> of(AttributedFile code, TreePath call, ExecutableElement method) {
        List<? extends ExpressionTree> arguments = Calls.arguments(call.getLeaf());
        int count = method.getParameters().size();
        if (method.isVarArgs() || arguments.size() > MOST || count > MOST || Math.abs(arguments.size() - count) > 1) {
            return Optional.empty();
        }
        Fitting fitting = new Fitting(code, call, arguments, new CallCandidates(code, call).formals(method));
        return arguments.size() == count ? fitting.otherOrder().or(fitting::otherType)
                : arguments.size() < count ? fitting.less() : fitting.more();
    }

    /**
     * The header in Java.
     *
     * @param value what other calls pass for what is new; empty for a default
     */
    public String text(DeclaredHeader declared, String value) {
        TypedHeader header = declared.header();
        return header.at(header.name()) + IntStream.range(0, origins.size()).mapToObj(i -> {
            int origin = origins.get(i);
            if (origin == NewSignature.ADDED) {
                String type = types.get(i).orElseThrow();
                String passed = value.isEmpty() ? PlaceholderCode.value(type) : value;
                return type + " " + free(header, name) + " = " + passed;
            }
            TypedHeader.TypedParameter old = header.parameters().get(origin);
            return types.get(i).map(type -> type + " " + header.at(old.name())).orElseGet(() -> header.declared(old));
        }).collect(Collectors.joining(", ", "(", ")"));
    }

    private static String free(TypedHeader header, String wish) {
        Set<String> taken = new HashSet<>();
        header.known().forEach(one -> taken.add(one.name()));
        return NewName.free(taken, wish);
    }

    /** Which argument fits which parameter. */
    private record Fitting(AttributedFile code, TreePath call, List<? extends ExpressionTree> arguments,
            List<? extends TypeMirror> formals) {

        /** The type of an argument; empty for what only its target gives one. */
        Optional<TypeMirror> type(int argument) {
            return code.type(new TreePath(call, arguments.get(argument)))
                    .filter(type -> type.getKind() != TypeKind.ERROR && type.getKind() != TypeKind.OTHER
                            && type.getKind() != TypeKind.NONE);
        }

        boolean fits(int argument, int parameter) {
            TypeMirror formal = code.types().erasure(formals.get(parameter));
            return type(argument).map(type -> type.getKind() == TypeKind.NULL ? !formal.getKind().isPrimitive()
                    : type.getKind() != TypeKind.VOID && code.types().isAssignable(code.types().erasure(type), formal))
                    .orElse(!formal.getKind().isPrimitive());
        }

        Optional<WantedHeader> otherOrder() {
            List<List<Integer>> found = new ArrayList<>();
            orders(new ArrayList<>(), found);
            List<Integer> same = IntStream.range(0, formals.size()).boxed().toList();
            return found.size() != 1 || found.contains(same) ? Optional.empty()
                    : Optional.of(wanted(found.get(0), "take its parameters in this order"));
        }

        private void orders(List<Integer> begun, List<List<Integer>> found) {
            if (begun.size() == arguments.size()) {
                found.add(List.copyOf(begun));
                return;
            }
            for (int i = 0; i < formals.size() && found.size() < 2; i++) {
                if (!begun.contains(i) && fits(begun.size(), i)) {
                    begun.add(i);
                    orders(begun, found);
                    begun.remove(begun.size() - 1);
                }
            }
        }

        /** One parameter only, so that nobody is surprised. */
        Optional<WantedHeader> otherType() {
            List<Integer> wrong = IntStream.range(0, formals.size()).filter(i -> !fits(i, i)).boxed().toList();
            if (wrong.size() != 1) {
                return Optional.empty();
            }
            int index = wrong.get(0);
            return written(index).map(type -> {
                List<Optional<String>> types = nothing();
                types.set(index, Optional.of(type));
                return new WantedHeader(IntStream.range(0, formals.size()).boxed().toList(), types, "",
                        "take '" + type + "' here");
            });
        }

        Optional<WantedHeader> less() {
            return IntStream.range(0, formals.size()).mapToObj(gone -> IntStream.range(0, formals.size())
                            .filter(i -> i != gone).boxed().toList())
                    .filter(left -> IntStream.range(0, left.size()).allMatch(i -> fits(i, left.get(i))))
                    .findFirst().map(left -> wanted(left, "take one less"));
        }

        Optional<WantedHeader> more() {
            return IntStream.range(0, arguments.size()).map(i -> arguments.size() - 1 - i).boxed()
                    .filter(added -> IntStream.range(0, formals.size())
                            .allMatch(i -> fits(i < added ? i : i + 1, i)))
                    .findFirst().flatMap(added -> written(added).map(type -> {
                        List<Integer> origins = new ArrayList<>(IntStream.range(0, formals.size()).boxed().toList());
                        origins.add(added, NewSignature.ADDED);
                        List<Optional<String>> types = nothing();
                        types.set(added, Optional.of(type));
                        return new WantedHeader(origins, types, name(added), "take '" + type + "' as well");
                    }));
        }

        private WantedHeader wanted(List<Integer> origins, String title) {
            return new WantedHeader(origins, nothing(), "", title);
        }

        private List<Optional<String>> nothing() {
            return new ArrayList<>(arguments.stream().map(one -> Optional.<String>empty()).toList());
        }

        private String name(int argument) {
            return NameProposals.elsewhere(code).of(new TreePath(call, arguments.get(argument))).get(0);
        }

        /** By simple names, which are imported where that is needed. */
        private Optional<String> written(int argument) {
            return type(argument).filter(type -> type.getKind() != TypeKind.NULL && type.getKind() != TypeKind.VOID)
                    .map(NamedTypes::simple).filter(text -> !text.contains("capture") && !text.contains("&"));
        }
    }
}

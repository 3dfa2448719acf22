package dev.deftchisel.repair.member;

import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodInvocationTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.analysis.code.TargetType;
import dev.deftchisel.analysis.symbol.NamedTypes;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import javax.lang.model.element.TypeElement;
import javax.lang.model.type.DeclaredType;
import javax.lang.model.type.TypeKind;
import javax.lang.model.type.TypeMirror;

/**
 * What collections and the streams of other languages can do, and those of Java do by another name or in two steps
 * (java.util.stream).
 */
public final class StreamMember implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("cant.resolve.location.args");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> select = site.nearest(MemberSelectTree.class)
                .filter(path -> path.getParentPath().getLeaf() instanceof MethodInvocationTree call
                && call.getMethodSelect() == path.getLeaf());
        Optional<TypeMirror> type = select.flatMap(
                path -> code.type(new TreePath(path, ((MemberSelectTree) path.getLeaf()).getExpression())))
                .filter(known -> NamedTypes.is(known, "java.util.stream.Stream"));
        if (type.isEmpty()) {
            return List.of();
        }
        MethodInvocationTree call = (MethodInvocationTree) select.get().getParentPath().getLeaf();
        String name = ((MemberSelectTree) select.get().getLeaf()).getIdentifier().toString();
        Range all = new Range(code.range(call.getMethodSelect()).end() - name.length(), code.range(call).end());
        String first = call.getArguments().isEmpty() ? "" : code.text(call.getArguments().get(0));
        Optional<TypeKind> wanted = TargetType.of(select.get().getParentPath(), site.code())
                .map(known -> known.type().getKind());
        return switch (name) {
            case "size", "length", "len" -> List.of(Fix.of("call 'count'", edits -> {
                edits.replace(all, "count()");
                if (wanted.filter(TypeKind.INT::equals).isPresent()) {
                    edits.insert(code.range(call).start(), "(int) ");
                }
            }));
            case "first", "getFirst", "head", "find" -> first.isEmpty()
                    ? List.of(Fix.of("take the first", edits -> edits.replace(all, "findFirst().orElseThrow()")))
                    : List.of();
            case "join", "joining" -> List.of(Fix.of("collect by 'joining'",
                    edits -> edits.replace(all, "collect(" + collectors(edits) + ".joining(" + first + "))")));
            case "toSet", "toMap", "groupingBy" -> List.of(Fix.of("collect by '" + name + "'",
                    edits -> edits.replace(all, "collect(" + collectors(edits) + "." + name + "(" + first + "))")));
            case "reversed", "reverse" -> List.of(Fix.of("sort them the other way round", edits -> {
                String order = "sorted(" + edits.types().name(code.elements().getTypeElement("java.util.Comparator"))
                        + ".reverseOrder())";
                boolean isSorted = code.text(((MemberSelectTree) call.getMethodSelect()).getExpression())
                        .endsWith(".sorted()");
                edits.replace(isSorted ? new Range(code.range(((MemberSelectTree) call.getMethodSelect())
                        .getExpression()).end() - "sorted()".length(), all.end()) : all, order);
            }));
            case "average", "max", "min", "sum" -> numbers((DeclaredType) type.get(), name, all, wanted, call).stream()
                    .toList();
            default -> List.of();
        };
    }

    private static String collectors(FixEdits edits) {
        return edits.types().name(edits.code().elements().getTypeElement("java.util.stream.Collectors"));
    }

    /** {@code average()} of boxes, where a number is wanted. */
    private static Optional<Fix> numbers(DeclaredType stream, String name, Range all, Optional<TypeKind> wanted,
            MethodInvocationTree call) {
        String box = stream.getTypeArguments().size() == 1 && stream.getTypeArguments()
                .get(0) instanceof DeclaredType element
                ? ((TypeElement) element.asElement()).getSimpleName().toString() : "";
        String sort;
        if (box.equals("Integer")) {
            sort = "Int";
        } else if (box.equals("Long") || box.equals("Double")) {
            sort = box;
        } else {
            sort = "";
        }
        boolean isNumber = wanted.filter(TypeKind::isPrimitive).isPresent() && !sort.isEmpty() && call.getArguments()
                .isEmpty() && !name.equals("sum");
        String value;
        if (box.equals("Integer")) {
            value = "intValue";
        } else if (box.equals("Long")) {
            value = "longValue";
        } else {
            value = "doubleValue";
        }
        return isNumber ? Optional.of(Fix.of("take what '" + name + "' gives of the numbers",
                edits -> edits.replace(all, "mapTo" + sort + "(" + box + "::" + value + ")."
                + name + "().orElseThrow()"))) : Optional.empty();
    }
}

package dev.deftchisel.repair.declaration;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.ModifierWords;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;

/**
 * Headings of types that say {@code extends} and {@code implements} for each other, or extend what is final (JLS 8.1.4,
 * 8.1.5).
 */
public final class WrongHeader implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("intf.expected.here", "no.intf.expected.here", "cant.inherit.from.final", "type.found.req",
                "class.public.should.be.in.file", "repeated.interface", "generic.throwable");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        AttributedFile code = site.code();
        Optional<TreePath> type = site.nearest(ClassTree.class);
        return switch (site.id()) {
            case "no.intf.expected.here" -> type.map(path -> List.of(Fix.of("write 'implements'",
                    edits -> word(edits, (ClassTree) path.getLeaf(), "extends", "implements")))).orElse(List.of());
            case "intf.expected.here" -> type.filter(path -> ((ClassTree) path.getLeaf()).getExtendsClause() == null)
                    .map(path -> List.of(Fix.of("write 'extends'",
                            edits -> word(edits, (ClassTree) path.getLeaf(), "implements", "extends"))))
                            .orElse(List.of());
            case "cant.inherit.from.final" -> type.flatMap(path -> Optional.ofNullable(((ClassTree) path.getLeaf())
                    .getExtendsClause())
                            .flatMap(above -> site.declaration(new TreePath(path, above))))
                    .map(path -> List.of(Fix.of("let the other class be not final", edits ->
                            ModifierWords.remove(edits, code.range(((ClassTree) path.getLeaf()).getModifiers()),
                                    "final"))))
                    .orElse(List.of());
            case "type.found.req" -> boxed(site);
            case "repeated.interface" -> type.map(path -> repeated((ClassTree) path.getLeaf(), site)).orElse(List.of());
            case "generic.throwable" -> type.map(path -> withoutParameters((ClassTree) path.getLeaf(), code))
                    .orElse(List.of());
            case "class.public.should.be.in.file" -> type.map(path -> file((ClassTree) path.getLeaf(), site))
                    .orElse(List.of());
            default -> List.of();
        };
    }

    private static void word(FixEdits edits, ClassTree type, String old, String other) {
        ModifierWords.find(edits.code(), edits.code().range(type), old).ifPresent(found -> edits.replace(found, other));
    }

    /** {@code implements Named, Named}. */
    private static List<Fix> repeated(ClassTree type, ErrorSite site) {
        AttributedFile code = site.code();
        List<? extends Tree> all = type.getKind() == Tree.Kind.INTERFACE || !type.getImplementsClause().isEmpty()
                ? type.getImplementsClause() : List.of();
        return IntStream.range(0, all.size()).filter(i -> code.range(all.get(i)).touches(site.error().range().start()))
                .boxed()
                .map(i -> Fix.of("remove the second '" + code.text(all.get(i)) + "'", edits -> edits.cut(all, i)))
                .limit(1).toList();
    }

    /** What is caught is known by its class alone, so exceptions have no type parameters (JLS 8.1.2). */
    private static List<Fix> withoutParameters(ClassTree type, AttributedFile code) {
        if (type.getTypeParameters().isEmpty()) {
            return List.of();
        }
        int close = code.tokens().code(code.tokens()
                .at(code.range(type.getTypeParameters().get(type.getTypeParameters().size() - 1)).end() - 1) + 1);
        return List.of(Fix.of("do without type parameters",
                edits -> edits.cut(new Range(code.name(type).end(), code.tokens().end(close)))));
    }

    /** A primitive type as a type argument: its box (JLS 4.5.1). */
    private static List<Fix> boxed(ErrorSite site) {
        AttributedFile code = site.code();
        return site.nearest(PrimitiveTypeTree.class)
                .map(path -> {
                    String box = switch (((PrimitiveTypeTree) path.getLeaf()).getPrimitiveTypeKind()) {
                        case INT -> "Integer";
                        case CHAR -> "Character";
                        default -> {
                            String name = path.getLeaf().toString();
                            yield Character.toUpperCase(name.charAt(0)) + name.substring(1);
                        }
                    };
                    return List.of(Fix.of("write '" + box + "'",
                            edits -> edits.replace(code.range(path.getLeaf()), box)));
                }).orElse(List.of());
    }

    /** The type gets the name of its file, or is not public. */
    private static List<Fix> file(ClassTree type, ErrorSite site) {
        AttributedFile code = site.code();
        String file = code.file().path().getFileName().toString().replaceAll("\\.java$", "");
        int at = code.name(type).start();
        return List.of(new Fix.Use("rename it to '" + file + "'", "rename",
                new Place(code.file().path(), new Range(at, at)),
                        Answers.of("name", file)),
                Fix.of("let it be not public", edits -> ModifierWords.remove(edits, code.range(type.getModifiers()),
                        "public")));
    }
}

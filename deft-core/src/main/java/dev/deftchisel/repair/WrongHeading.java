package dev.deftchisel.repair;

import com.sun.source.tree.ClassTree;
import com.sun.source.tree.PrimitiveTypeTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.Code;
import dev.deftchisel.operation.Answers;
import dev.deftchisel.operation.Place;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.FixEdits;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.source.Range;
import java.util.List;
import java.util.Optional;
import java.util.Set;

/** Headings of types that say {@code extends} and {@code implements} for each other, or extend what is final (JLS 8.1.4, 8.1.5). */
public final class WrongHeading implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("intf.expected.here", "no.intf.expected.here", "cant.inherit.from.final", "type.found.req",
                "class.public.should.be.in.file");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        Code code = site.code();
        Optional<TreePath> type = site.nearest(ClassTree.class);
        return switch (site.id()) {
            case "no.intf.expected.here" -> type.map(path -> List.of(Fix.of("write 'implements'",
                    edits -> word(edits, (ClassTree) path.getLeaf(), "extends", "implements")))).orElse(List.of());
            case "intf.expected.here" -> type.filter(path -> ((ClassTree) path.getLeaf()).getExtendsClause() == null)
                    .map(path -> List.of(Fix.of("write 'extends'",
                            edits -> word(edits, (ClassTree) path.getLeaf(), "implements", "extends")))).orElse(List.of());
            case "cant.inherit.from.final" -> type.flatMap(path -> Optional.ofNullable(((ClassTree) path.getLeaf()).getExtendsClause())
                            .flatMap(above -> site.declaration(new TreePath(path, above))))
                    .map(path -> List.of(Fix.of("let the other class be not final", edits ->
                            ModifierWords.remove(edits, code.range(((ClassTree) path.getLeaf()).getModifiers()), "final"))))
                    .orElse(List.of());
            case "type.found.req" -> boxed(site);
            case "class.public.should.be.in.file" -> type.map(path -> file((ClassTree) path.getLeaf(), site)).orElse(List.of());
            default -> List.of();
        };
    }

    private static void word(FixEdits edits, ClassTree type, String old, String other) {
        ModifierWords.find(edits.code(), edits.code().range(type), old).ifPresent(found -> edits.replace(found, other));
    }

    /** A primitive type as a type argument: its box (JLS 4.5.1). */
    private static List<Fix> boxed(ErrorSite site) {
        Code code = site.code();
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
                    return List.of(Fix.of("write '" + box + "'", edits -> edits.replace(code.range(path.getLeaf()), box)));
                }).orElse(List.of());
    }

    /** The type gets the name of its file, or is not public. */
    private static List<Fix> file(ClassTree type, ErrorSite site) {
        Code code = site.code();
        String file = code.file().path().getFileName().toString().replaceAll("\\.java$", "");
        int at = code.name(type).start();
        return List.of(new Fix.Use("rename it to '" + file + "'", "rename", new Place(code.file().path(), new Range(at, at)),
                        Answers.of("name", file)),
                Fix.of("let it be not public", edits -> ModifierWords.remove(edits, code.range(type.getModifiers()), "public")));
    }
}

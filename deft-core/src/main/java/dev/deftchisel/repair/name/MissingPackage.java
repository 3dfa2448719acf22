package dev.deftchisel.repair.name;

import com.sun.source.tree.ImportTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.problem.Fix;
import dev.deftchisel.problem.Repair;
import dev.deftchisel.repair.Spelling;
import dev.deftchisel.source.Range;
import dev.deftchisel.source.Tokens;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.stream.IntStream;
import javax.lang.model.element.Modifier;

/** Imports of packages or types that are not there. */
public final class MissingPackage implements Repair {

    @Override
    public Set<String> codes() {
        return Set.of("doesnt.exist", "static.imp.only.classes.and.interfaces");
    }

    @Override
    public List<Fix> fixes(ErrorSite site) {
        return site.around().stream()
                .filter(path -> path.getLeaf() instanceof MemberSelectTree)
                .findFirst()
                .or(() -> site.nearest(ImportTree.class)
                        .map(path -> new TreePath(path, ((ImportTree) path.getLeaf()).getQualifiedIdentifier())))
                .map(path -> fixes(path, site)).orElse(List.of());
    }

    static List<Fix> fixes(TreePath path, ErrorSite site) {
        TreePath whole = path;
        while (whole.getParentPath().getLeaf() instanceof MemberSelectTree) {
            whole = whole.getParentPath();
        }
        boolean isImport = whole.getParentPath().getLeaf() instanceof ImportTree;
        if (!(whole.getLeaf() instanceof MemberSelectTree select)) {
            return List.of();
        }
        String name = select.getIdentifier().toString();
        Range range = site.code().range(select);
        List<Fix> fixes = new ArrayList<>(new TypeChoice(site, whole).called(name).stream()
                .filter(found -> !found.equals(site.code().text(range)) && site.code().file().outline().imports()
                        .stream()
                        .noneMatch(line -> isImport && line.name().equals(found)))
                .limit(3)
                .map(found -> Fix.of((isImport ? "import " : "write ") + found, edits -> edits.replace(range, found)))
                .toList());
        if (isImport) {
            AttributedFile code = site.code();
            Optional.ofNullable(code.elements().getPackageElement(code.text(select.getExpression()))).ifPresent(home ->
                    Spelling.near(name, home.getEnclosedElements().stream().map(type -> type.getSimpleName().toString())
                            .toList()).stream().limit(1)
                            .filter(near -> code.file().outline().imports().stream()
                                    .noneMatch(line -> line.simpleName().equals(near)))
                            .forEach(near -> fixes.add(Fix.of("import " + code.text(select.getExpression()) + "."
                                    + near,
                                    edits -> edits.replace(range, code.text(select.getExpression()) + "." + near)))));
            ImportTree line = (ImportTree) whole.getParentPath().getLeaf();
            String written = code.text(range);
            boolean isTypeAlone = line.isStatic() && code.elements().getTypeElement(written) != null;
            if (isTypeAlone) {
                int start = code.range(line).start();
                fixes.add(0, Fix.of("import the type", edits -> edits.replace(new Range(start, range.start()),
                        "import ")));
                fixes.add(1, Fix.of("import all its static members", edits -> edits.insert(range.end(), ".*")));
            }
            boolean isPackage = !line.isStatic() && Optional.ofNullable(code.elements().getPackageElement(written))
                    .filter(known -> !known.getEnclosedElements().isEmpty()).isPresent();
            if (isPackage) {
                fixes.add(0, Fix.of("import all its types", edits -> edits.insert(range.end(), ".*")));
            }
            boolean isMember = !line.isStatic() && Optional.ofNullable(code.elements()
                    .getTypeElement(code.text(select.getExpression())))
                    .filter(type -> type.getEnclosedElements().stream()
                            .anyMatch(member -> member.getSimpleName().contentEquals(name)
                            && member.getModifiers().contains(Modifier.STATIC))).isPresent();
            if (isMember) {
                fixes.add(0, Fix.of("import the member as static", edits -> edits.insert(range.start(), "static ")));
            }
            if (!isUsed(code, line)) {
                fixes.add(Fix.of("remove the import", edits -> edits.removeImport(site.code().range(line))));
            }
        }
        return fixes;
    }

    /** Whether what an import brings, or would bring, is named in the file: then it is missing, and not too much. */
    private static boolean isUsed(AttributedFile code, ImportTree line) {
        String name = line.getQualifiedIdentifier().toString();
        String simple = name.substring(name.lastIndexOf('.') + 1);
        Tokens tokens = code.tokens();
        return IntStream.range(0, tokens.count())
                .anyMatch(i -> tokens.is(i, simple) && code.unit().getImports().stream()
                        .noneMatch(other -> code.range(other).encloses(tokens.range(i))));
    }
}

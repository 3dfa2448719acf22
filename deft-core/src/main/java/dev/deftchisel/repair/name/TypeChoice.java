package dev.deftchisel.repair.name;

import com.sun.source.tree.AnnotationTree;
import com.sun.source.tree.CatchTree;
import com.sun.source.tree.ClassTree;
import com.sun.source.tree.MemberSelectTree;
import com.sun.source.tree.MethodTree;
import com.sun.source.tree.NewClassTree;
import com.sun.source.tree.ParameterizedTypeTree;
import com.sun.source.tree.ThrowTree;
import com.sun.source.tree.Tree;
import com.sun.source.util.TreePath;
import dev.deftchisel.analysis.code.AttributedFile;
import dev.deftchisel.problem.ErrorSite;
import dev.deftchisel.rewrite.TypeWriter;
import java.util.Comparator;
import java.util.List;
import javax.lang.model.element.Element;
import javax.lang.model.element.ElementKind;
import javax.lang.model.element.Modifier;
import javax.lang.model.element.TypeElement;
import javax.lang.model.util.ElementFilter;

/** Which of the types that have a simple name is probably meant at a place. */
final class TypeChoice {

    private final ErrorSite site;
    private final TreePath path;

    TypeChoice(ErrorSite site, TreePath path) {
        this.site = site;
        this.path = path;
    }

    /** The qualified names, the most likely first; only those that can be used there. */
    List<String> called(String simpleName) {
        AttributedFile code = site.code();
        String home = code.file().header().packageName();
        return site.analysis().typesCalled(simpleName, code.file().path()).stream()
                .filter(name -> name.indexOf('.') > 0 && fits(code.elements().getTypeElement(name), code, home))
                .sorted(Comparator.comparingInt((String name) -> has(name) ? 0 : 1)
                        .thenComparing(name -> -site.analysis().importing(name))
                        .thenComparing(name -> -TypeWriter.common(home, name))
                        .thenComparingInt(TypeChoice::rank)
                        .thenComparing(name -> name))
                .toList();
    }

    private boolean fits(TypeElement type, AttributedFile code, String home) {
        if (type == null) {
            return false;
        }
        for (Element at = type; at instanceof TypeElement; at = at.getEnclosingElement()) {
            boolean isOpen = at.getModifiers().contains(Modifier.PUBLIC)
                    || code.elements().getPackageOf(at).getQualifiedName().contentEquals(home)
                            && !at.getModifiers().contains(Modifier.PRIVATE);
            if (!isOpen) {
                return false;
            }
        }
        Tree parent = path.getParentPath().getLeaf();
        boolean isGeneric = parent instanceof ParameterizedTypeTree generic && generic.getType() == path.getLeaf();
        boolean takesArguments = !isGeneric || ((ParameterizedTypeTree) parent).getTypeArguments().isEmpty()
                ? !isGeneric || !type.getTypeParameters().isEmpty()
                : type.getTypeParameters().size() == ((ParameterizedTypeTree) parent).getTypeArguments().size();
        boolean isAnnotation = parent instanceof AnnotationTree;
        return takesArguments && isAnnotation == (isAnnotation && type.getKind() == ElementKind.ANNOTATION_TYPE);
    }

    /** Whether the type has the member that is selected from it there, or a constructor that takes what it is given. */
    private boolean has(String name) {
        TypeElement type = site.code().elements().getTypeElement(name);
        Tree parent = path.getParentPath().getLeaf();
        if (parent instanceof MemberSelectTree select) {
            return site.code().elements().getAllMembers(type).stream()
                    .anyMatch(member -> member.getSimpleName().equals(select.getIdentifier()));
        }
        TreePath outer = parent instanceof ParameterizedTypeTree ? path.getParentPath().getParentPath()
                : path.getParentPath();
        if (outer.getLeaf() instanceof NewClassTree made) {
            return (made.getClassBody() != null || !type.getModifiers().contains(Modifier.ABSTRACT))
                    && (type.getKind().isInterface() ? made.getClassBody() != null
                    : ElementFilter.constructorsIn(type.getEnclosedElements()).stream()
                            .anyMatch(constructor -> constructor.isVarArgs()
                                    || constructor.getParameters().size() == made.getArguments().size()));
        }
        if (outer.getLeaf() instanceof ClassTree declared) {
            boolean isExtended = declared.getExtendsClause() == path.getLeaf() || declared.getExtendsClause() == parent;
            return isExtended == !type.getKind().isInterface() || outer.getLeaf().getKind() == Tree.Kind.INTERFACE;
        }
        if (outer.getLeaf() instanceof ThrowTree || outer.getLeaf() instanceof CatchTree
                || outer.getLeaf() instanceof MethodTree method && method.getThrows().contains(path.getLeaf())) {
            return site.code().isKind(type.asType(), site.code().elements().getTypeElement("java.lang.Throwable")
                    .asType());
        }
        return true;
    }

    /** What is used in most programs, then what is part of the platform, then the rest. */
    private static int rank(String name) {
        String home = name.substring(0, name.lastIndexOf('.'));
        List<String> usual = List.of("java.util", "java.io", "java.util.function", "java.util.stream", "java.time",
                "java.nio.file",
                "java.util.concurrent", "java.math", "java.nio.charset", "java.net", "java.text", "java.util.regex",
                "java.lang.annotation", "java.lang.reflect", "java.util.concurrent.atomic", "java.nio");
        int index = usual.indexOf(home);
        if (index >= 0) {
            return index;
        }
        if (name.startsWith("java.")) {
            return usual.size();
        }
        return name.startsWith("javax.") ? usual.size() + 2 : usual.size() + 1;
    }
}

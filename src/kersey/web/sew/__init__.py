"""The page Sew: pass by pass, pressing, rows, and what is measured."""

"""Cut: the sheet that lies beside the mat."""

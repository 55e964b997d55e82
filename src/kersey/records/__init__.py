"""The core's own types as JSON documents and back, by Pydantic; each says its version."""
